import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { endForeignDevice, ownDevice, rememberDevice, subscribe, unsubscribe } from './own-device';

/** A browser's side of web push, as far as ours uses it. */
let current: { readonly endpoint: string } | null;
let made = 0;
const subscription = () => {
  made += 1;
  const own = { endpoint: `https://push.example/${made}` };
  current = own;
  return own;
};
const shown = (own: { readonly endpoint: string }) => ({
  ...own,
  toJSON: () => own,
  unsubscribe: () => {
    if (current?.endpoint === own.endpoint) current = null;
    return Promise.resolve(true);
  },
});
const registration = {
  active: { state: 'activated' },
  installing: null,
  waiting: null,
  pushManager: {
    getSubscription: () => Promise.resolve(current === null ? null : shown(current)),
    subscribe: () => Promise.resolve(shown(subscription())),
  },
};
let permission: string;
beforeEach(() => {
  current = null;
  made = 0;
  permission = 'granted';
  localStorage.clear();
  vi.stubGlobal('Notification', { requestPermission: () => Promise.resolve(permission) });
  vi.stubGlobal('navigator', {
    serviceWorker: {
      register: () => Promise.resolve(registration),
      getRegistration: () => Promise.resolve(registration),
    },
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
});
const begin = async (personId: string) => {
  const { endpoint } = await subscribe('key', personId);
  rememberDevice({ deviceId: `device of ${personId}`, personId });
  return endpoint;
};

describe('the browser in which somebody is told', () => {
  it('is asked first, and says how to let us where it does not', async () => {
    permission = 'denied';
    await expect(subscribe('key', 'rolf')).rejects.toThrow('Allow them in its settings');
    expect(current).toBeNull();
  });
  it('keeps one’s own subscription, and gives the next person another', async () => {
    const first = await begin('rolf');
    expect(await begin('rolf')).toBe(first);
    expect(await begin('pia')).not.toBe(first);
  });
  it('ends what is another’s once somebody else is signed in, and nothing of one’s own', async () => {
    await begin('rolf');
    endForeignDevice('rolf');
    expect([ownDevice()?.personId, current === null]).toEqual(['rolf', false]);
    endForeignDevice('pia');
    await vi.waitFor(() => {
      expect(current).toBeNull();
    });
    expect(ownDevice()).toBeNull();
  });
  it('ends by signing out, twice too', async () => {
    await begin('rolf');
    await unsubscribe();
    await unsubscribe();
    expect([current, ownDevice()]).toEqual([null, null]);
  });
  it('is nobody’s where what it remembers is damaged', () => {
    localStorage.setItem('groval-device', '{"deviceId":');
    expect(ownDevice()).toBeNull();
    localStorage.setItem('groval-device', '{"deviceId":"x"}');
    expect(ownDevice()).toBeNull();
  });
});
