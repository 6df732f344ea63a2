import webpush from 'web-push';
import type { SendPush } from '@/core/records/notices/notice';
import { instantText, type Instant } from '@/core/time/instant';
import { isLoopback, type Environment } from './environment';

/** The two keys by which a push service knows this installation: `npm run push-keys` makes them. */
export interface PushKeys {
  readonly publicKey: string;
  readonly privateKey: string;
}

/** The keys of this installation; null where it tells no device. */
export function pushKeys({ GROVAL_PUSH_KEYS: keys }: Environment): PushKeys | null {
  const [publicKey, privateKey] = keys?.split('.') ?? [];
  return publicKey === undefined || privateKey === undefined ? null : { publicKey, privateKey };
}

/** The push services that who runs the server has named. */
export const pushHosts = ({ GROVAL_PUSH_HOSTS: hosts }: Environment): readonly string[] =>
  hosts?.split(',') ?? [];

/** Why an address that a browser gave cannot be sent to, for its person; null where it can. */
export function whyNoPush(env: Environment, endpoint: string): string | null {
  if (pushKeys(env) === null)
    return 'This installation tells nobody on their devices. You are told in Groval and, where it is set up, by mail.';
  if (isPushService(endpoint, pushHosts(env))) return null;
  const host = URL.canParse(endpoint) ? new URL(endpoint).host : 'an address that is none';
  return `This browser is told through ${host}, which this installation does not send to. Ask who runs it to name that in GROVAL_PUSH_HOSTS.`;
}

/** Nobody waits longer for a push service. */
const TIMEOUT_MS = 20_000;
/** A push service keeps what it cannot deliver at most so many seconds: a day. */
const KEPT_S = 86_400;
/** What a push service takes, in characters: the rest is read in the application. */
const MOST_BODY = 600;

/**
 * Whether the server may send to an address that a browser gave: to push services that who runs the server has
 * named, and to nothing else. An address is what anybody signed in may send; without this the server would knock
 * wherever they like.
 * @param hosts names such as `push.example`, which stand for their subdomains too, or `127.0.0.1:4000`
 */
export function isPushService(endpoint: string, hosts: readonly string[]): boolean {
  if (!URL.canParse(endpoint)) return false;
  const { protocol, host, hostname, port, username, password } = new URL(endpoint);
  if (username !== '' || password !== '') return false;
  if (protocol !== 'https:' && !(protocol === 'http:' && isLoopback(endpoint))) return false;
  return hosts.some((named) => named === host || (port === '' && hostname.endsWith(`.${named}`)));
}

/** Seconds that a push service may keep a notice: until it is of no use, at most a day. */
const keptFor = (useUntil: Instant | null, now: Instant): number =>
  useUntil === null ? KEPT_S : Math.max(0, Math.min(KEPT_S, Math.floor((useUntil - now) / 1000)));

/**
 * Sends to push services as RFC 8030, 8291 and 8292 say, encrypted for the device alone.
 * @param subject where the push service's people reach who runs this: an https or mailto address
 */
export function openPusher(
  keys: PushKeys,
  subject: string,
  hosts: readonly string[],
  now: () => Instant,
): SendPush {
  return async ({ endpoint, p256dh, auth }, { id, title, body, path, useUntil }) => {
    if (!isPushService(endpoint, hosts))
      return { outcome: 'refused', note: 'its push service is not one of those that this server sends to' };
    const payload = {
      id,
      title,
      body: body.slice(0, MOST_BODY),
      path,
      until: useUntil === null ? null : instantText(useUntil),
    };
    let request: webpush.RequestDetails;
    try {
      request = webpush.generateRequestDetails(
        { endpoint, keys: { p256dh, auth } },
        JSON.stringify(payload),
        {
          vapidDetails: { subject, ...keys },
          TTL: keptFor(useUntil, now()),
          urgency: 'high',
        },
      );
    } catch (error) {
      // Keys that are none: nothing can ever be sent there.
      return { outcome: 'refused', note: error instanceof Error ? error.message.slice(0, 300) : 'no key' };
    }
    const response = await fetch(request.endpoint, {
      method: request.method,
      headers: Object.fromEntries(
        Object.entries(request.headers).map(([name, value]) => [name, String(value)]),
      ),
      body: new Uint8Array(request.body ?? []),
      // A push service does not send us on, and nobody else shall.
      redirect: 'manual',
      signal: AbortSignal.timeout(TIMEOUT_MS),
    });
    await response.body?.cancel();
    const { status } = response;
    if (response.ok) return { outcome: 'sent', note: '' };
    if (status === 404 || status === 410) return { outcome: 'gone', note: '' };
    if (status === 429 || status >= 500) throw new Error(`the push service answered ${status}`);
    return { outcome: 'refused', note: `the push service answered ${status}` };
  };
}
