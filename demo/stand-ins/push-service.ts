// A push service that reaches nobody: it plays the browser too, decrypts what it is sent, and keeps it in this process. For tests.
import {
  createDecipheriv,
  createECDH,
  createHmac,
  createPublicKey,
  type ECDH,
  randomBytes,
  verify,
} from 'node:crypto';
import { createServer, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';

const hmac = (key: Uint8Array, ...parts: readonly Uint8Array[]): Buffer =>
  createHmac('sha256', key).update(Buffer.concat(parts)).digest();
const bytes = (text: string): Buffer => Buffer.from(text, 'base64url');

/** A browser's side of a subscription. */
interface Receiver {
  readonly ecdh: ECDH;
  readonly auth: Uint8Array;
}

/**
 * What was sent to a browser, decrypted. Source: RFC 8291, with the record of RFC 8188.
 * @throws where it was not encrypted for this browser
 */
export function decrypt(body: Uint8Array, { ecdh, auth }: Receiver): string {
  const given = Buffer.from(body);
  const salt = given.subarray(0, 16);
  const keyLength = given[20] ?? 0;
  const sender = given.subarray(21, 21 + keyLength);
  const secret = ecdh.computeSecret(sender);
  const one = Buffer.from([1]);
  const key = hmac(hmac(auth, secret), Buffer.from('WebPush: info\0'), ecdh.getPublicKey(), sender, one);
  const pseudorandom = hmac(salt, key);
  const part = (name: string, length: number) =>
    hmac(pseudorandom, Buffer.from(`Content-Encoding: ${name}\0`), one).subarray(0, length);
  const sealed = given.subarray(21 + keyLength);
  const decipher = createDecipheriv('aes-128-gcm', part('aes128gcm', 16), part('nonce', 12));
  decipher.setAuthTag(sealed.subarray(-16));
  const padded = Buffer.concat([decipher.update(sealed.subarray(0, -16)), decipher.final()]);
  // The text ends at the last byte that is not zero, which says that this record is the last.
  return padded.subarray(0, padded.lastIndexOf(2)).toString('utf8');
}

/** What the token of a sender says, once its signature is right. Source: RFC 8292. @throws where it is not */
export function senderOf(authorization: string): {
  readonly aud: string;
  readonly sub: string;
  readonly key: string;
} {
  const [, token = '', key = ''] = /^vapid t=([^,]+), ?k=(.+)$/u.exec(authorization) ?? [];
  const [head = '', claims = '', signature = ''] = token.split('.');
  const point = bytes(key);
  const publicKey = createPublicKey({
    format: 'jwk',
    key: {
      kty: 'EC',
      crv: 'P-256',
      x: point.subarray(1, 33).toString('base64url'),
      y: point.subarray(33).toString('base64url'),
    },
  });
  const isSigned = verify(
    'sha256',
    Buffer.from(`${head}.${claims}`),
    { key: publicKey, dsaEncoding: 'ieee-p1363' },
    bytes(signature),
  );
  if (!isSigned) throw new Error('the sender’s token is not signed by its key');
  const { aud, sub } = JSON.parse(bytes(claims).toString('utf8')) as { aud: string; sub: string };
  return { aud, sub, key };
}

/** A message as it came. */
export interface Pushed {
  readonly device: string;
  readonly text: string;
  readonly ttl: string;
  readonly sender: ReturnType<typeof senderOf>;
}

/** How the service treats the next messages. */
export type PushMood = 'takes' | 'busy' | 'gone' | 'refuses';
const STATUS: Readonly<Record<PushMood, number>> = { takes: 201, busy: 503, gone: 410, refuses: 413 };

/** A push service that listens. */
export interface PushService {
  /** What a server must name to send to it. */
  readonly host: string;
  /** What a browser would give: a subscription of its own. */
  readonly subscribe: () => {
    readonly device: string;
    readonly endpoint: string;
    readonly p256dh: string;
    readonly auth: string;
  };
  readonly messages: () => readonly Pushed[];
  readonly setMood: (mood: PushMood) => void;
  readonly close: () => Promise<void>;
}

async function read(request: IncomingMessage): Promise<Buffer> {
  const chunks: Buffer[] = [];
  for await (const chunk of request) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks);
}

/** Starts a push service on this machine alone. */
export async function startPushService(): Promise<PushService> {
  const receivers = new Map<string, Receiver>();
  const messages: Pushed[] = [];
  let mood: PushMood = 'takes';
  const server = createServer((request, response) => {
    const device = request.url?.slice(1) ?? '';
    const receiver = receivers.get(device);
    const { authorization = '', ttl = '' } = request.headers;
    read(request)
      .then((body) => {
        if (receiver === undefined || mood !== 'takes') {
          response.writeHead(receiver === undefined ? 404 : STATUS[mood]).end();
          return;
        }
        messages.push({
          device,
          text: decrypt(body, receiver),
          ttl: String(ttl),
          sender: senderOf(authorization),
        });
        response.writeHead(STATUS.takes).end();
      })
      .catch(() => {
        response.writeHead(400).end();
      });
  });
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(0, '127.0.0.1', resolve);
  });
  const host = `127.0.0.1:${(server.address() as AddressInfo).port}`;
  return {
    host,
    subscribe: () => {
      const device = randomBytes(8).toString('hex');
      const ecdh = createECDH('prime256v1');
      const auth = randomBytes(16);
      const p256dh = ecdh.generateKeys().toString('base64url');
      receivers.set(device, { ecdh, auth });
      return { device, endpoint: `http://${host}/${device}`, p256dh, auth: auth.toString('base64url') };
    },
    messages: () => [...messages],
    setMood: (next) => {
      mood = next;
    },
    close: () =>
      new Promise<void>((resolve) => {
        server.close(() => {
          resolve();
        });
        server.closeAllConnections();
      }),
  };
}
