// The production server: the framework's own handler behind a door of ours. What a client says of its address is believed only from proxies
// that are named in GROVAL_TRUSTED_PROXIES; addresses that are none are refused; nobody sends a request for ever.
// node tools/server.mjs --hostname HOST --port PORT
import { createServer } from 'node:http';
import { BlockList, isIP } from 'node:net';
import { parseArgs } from 'node:util';
import next from 'next';
import { PROJECT } from './provision/places.mjs';

const {
  values: { hostname, port },
} = parseArgs({
  options: { hostname: { type: 'string', default: '127.0.0.1' }, port: { type: 'string', default: '3600' } },
});

/** Headers by which a proxy says where a request comes from, and ours. */
const FORWARDED = [
  'forwarded',
  'x-forwarded-for',
  'x-forwarded-host',
  'x-forwarded-proto',
  'x-forwarded-port',
  'x-real-ip',
  'x-client-ip',
  'cf-connecting-ip',
  'true-client-ip',
];
const ADDRESS = 'x-groval-address';
/** Receiving the head of a request, and a whole request, takes at most so long. An import of a large list is the longest. */
const HEAD_MS = 20_000;
const WHOLE_MS = 11 * 60_000;
/** A connection on which nothing happens ends; live streams beat every ten seconds. */
const IDLE_MS = 150_000;
/** More connections than this are closed at once. */
const MAX_CONNECTIONS = 4000;
/** Open requests have so long to end when the server is told to end. */
const ENDING_MS = 8000;

/** Networks whose word on where a request comes from is believed: 10.0.0.0/8, 192.0.2.4. */
function trustedProxies(text) {
  const list = new BlockList();
  for (const one of text
    .split(',')
    .map((part) => part.trim())
    .filter((part) => part !== '')) {
    const [address, bits] = one.split('/');
    const family = isIP(address) === 6 ? 'ipv6' : isIP(address) === 4 ? 'ipv4' : null;
    if (family === null || (bits !== undefined && !/^\d{1,3}$/.test(bits))) {
      process.stderr.write(
        `GROVAL_TRUSTED_PROXIES: '${one}' is no address or network. Expected such as 10.0.0.0/8, 192.0.2.4\n`,
      );
      process.exit(2);
    }
    if (bits === undefined) list.addAddress(address, family);
    else list.addSubnet(address, Number(bits), family);
  }
  return list;
}
const proxies = trustedProxies(process.env.GROVAL_TRUSTED_PROXIES ?? '');
const plain = (address) => address.replace(/^::ffff:/, '');
const isProxy = (address) =>
  isIP(address) !== 0 && proxies.check(address, isIP(address) === 6 ? 'ipv6' : 'ipv4');

/** Where a request comes from: the last address of the chain that no trusted proxy wrote. */
function addressOf(request) {
  let address = plain(request.socket.remoteAddress ?? '');
  const chain = String(request.headers['x-forwarded-for'] ?? '')
    .split(',')
    .map((part) => plain(part.trim()))
    .filter((part) => isIP(part) !== 0);
  while (isProxy(address) && chain.length > 0) address = chain.pop();
  return address;
}

/** Whether an address is made of sound codes and characters that a text of ours may hold. */
function isSound(url) {
  try {
    return !decodeURIComponent(url.replaceAll('+', ' ')).includes('\0');
  } catch {
    return false;
  }
}

const app = next({ dev: false, dir: PROJECT, hostname, port: Number(port) });
await app.prepare();
const handle = app.getRequestHandler();

const server = createServer({ headersTimeout: HEAD_MS, requestTimeout: WHOLE_MS }, (request, response) => {
  const address = addressOf(request);
  if (!isProxy(plain(request.socket.remoteAddress ?? '')))
    for (const name of FORWARDED) delete request.headers[name];
  delete request.headers['x-forwarded-for'];
  request.headers[ADDRESS] = address;
  if (!isSound(request.url ?? '')) {
    response.writeHead(400, { 'content-type': 'application/json', connection: 'close' }).end(
      JSON.stringify({
        error: {
          code: 'invalid',
          message: 'This address is not complete. Open Groval again and choose it there.',
          problems: [],
        },
      }),
    );
    return;
  }
  handle(request, response).catch(() => {
    if (response.headersSent) response.destroy();
    else response.writeHead(500).end();
  });
});
server.setTimeout(IDLE_MS);
server.maxConnections = MAX_CONNECTIONS;
server.listen(Number(port), hostname, () => {
  process.stdout.write(`Groval listens on ${hostname}:${port}\n`);
});
server.once('error', (error) => {
  process.stderr.write(`${error.message}\n`);
  process.exit(1);
});

let ending = false;
for (const signal of ['SIGTERM', 'SIGINT']) {
  process.on(signal, () => {
    if (ending) return;
    ending = true;
    server.close(() => {
      process.exit(0);
    });
    server.closeIdleConnections();
    setInterval(() => {
      server.closeIdleConnections();
    }, 200).unref();
    setTimeout(() => {
      server.closeAllConnections();
      process.exit(0);
    }, ENDING_MS).unref();
  });
}
