import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useState } from 'react';
import type { NoticesPage } from '@/queries/notices/notices';
import { useCommand } from '../data/command';
import {
  canBeTold,
  forgetSubscription,
  ownDevice,
  rememberDevice,
  subscribe,
  unsubscribe,
} from '../data/own-device';
import { TroubleAlert } from '../kit/trouble-alert';

/** What a browser calls the machine that it runs on, in short: for the list of one's own devices. */
const nameOfBrowser = (): string =>
  /iPhone|iPad|Android|Mobile/u.test(navigator.userAgent) ? 'Phone or tablet' : 'Computer';

/** The devices on which one is told, and whether this browser is one of them. */
export function DevicePart({ page }: { readonly page: NoticesPage }) {
  const { post, trouble } = useCommand();
  const [own, setOwn] = useState(() => ownDevice());
  const [why, setWhy] = useState<string | null>(null);
  const [isBusy, setIsBusy] = useState(false);
  const { devices, pushKey, personId } = page;
  const isHere = own !== null && devices.some(({ id }) => id === own.deviceId);

  const begin = async () => {
    if (pushKey === null) return;
    setIsBusy(true);
    setWhy(null);
    try {
      const { endpoint, keys } = await subscribe(pushKey, personId);
      const device = { deviceId: crypto.randomUUID(), personId };
      const done = await post(
        'POST /api/notices/devices',
        {
          deviceId: device.deviceId,
          name: nameOfBrowser(),
          endpoint: endpoint ?? '',
          p256dh: keys?.['p256dh'] ?? '',
          auth: keys?.['auth'] ?? '',
        },
        () => undefined,
      );
      if (done) {
        rememberDevice(device);
        setOwn(device);
      } else await forgetSubscription();
    } catch (error) {
      setWhy(
        error instanceof Error && error.message !== ''
          ? error.message
          : 'This browser could not ask its push service. Try again later; notices stand here meanwhile.',
      );
    }
    setIsBusy(false);
  };
  const end = async (deviceId: string) => {
    if (deviceId === own?.deviceId) {
      await unsubscribe().catch(() => undefined);
      setOwn(null);
    }
    await post('POST /api/notices/devices/end', { deviceId }, () => undefined);
  };

  if (pushKey === null)
    return (
      <p className="small">
        This installation tells nobody on their devices: who runs it has not set that up (README).
      </p>
    );
  return (
    <Stack spacing={1.5} sx={{ maxWidth: 720 }}>
      {devices.length === 0 ? (
        <p>On no device yet. A device that you choose shows a notice though Groval is not open.</p>
      ) : (
        <Stack component="ul" spacing={1} sx={{ listStyle: 'none', p: 0, m: 0 }} aria-label="Your devices">
          {devices.map(({ id, name, since }) => (
            <Stack key={id} component="li" direction="row" spacing={2} sx={{ alignItems: 'baseline' }}>
              <span>
                {name}
                {id === own?.deviceId ? ' (this one)' : ''}, since {since}
              </span>
              <Button
                size="small"
                onClick={() => {
                  void end(id);
                }}
              >
                End
              </Button>
            </Stack>
          ))}
        </Stack>
      )}
      {why === null ? null : <TroubleAlert trouble={{ message: why, changes: [] }} />}
      <TroubleAlert trouble={trouble} />
      {isHere ? null : canBeTold() ? (
        <div>
          <Button
            variant="outlined"
            disabled={isBusy}
            onClick={() => {
              void begin();
            }}
          >
            Tell me on this device too
          </Button>
        </div>
      ) : (
        <p className="small">
          This browser cannot be told. On some phones Groval must first be put on the home screen.
        </p>
      )}
      <p className="small">
        Quiet hours hold here too. Signing out ends it on this device. What is shown can be read on a locked
        screen.
      </p>
    </Stack>
  );
}
