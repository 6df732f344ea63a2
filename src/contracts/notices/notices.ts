import { z } from 'zod';
import { idSchema, textSchema } from '../kernel/scalars';

const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/u, 'expected a time such as 22:00');

/** Notices that somebody has seen. */
export const readNoticesSchema = z.strictObject({ noticeIds: z.array(idSchema()).min(1).max(200) });
export type ReadNotices = z.output<typeof readNoticesSchema>;

/** How somebody wants to be told, from now on. */
export const noticeSettingsSchema = z.strictObject({
  settingId: idSchema(),
  settings: z.strictObject({
    mail: z.boolean(),
    quiet: z.strictObject({ from: clock, until: clock }).nullable(),
    digestAt: clock.nullable(),
  }),
});
export type NoticeSettingsEntry = z.output<typeof noticeSettingsSchema>;

/** Base64 as addresses hold it, of so many characters at most. */
const base64url = (most: number) =>
  z
    .string()
    .regex(/^[A-Za-z0-9_-]+={0,2}$/u, 'expected what the browser gave')
    .max(most);

/** A browser in which somebody wants to be told, as it says where: an address of its push service, and its keys. */
export const deviceSchema = z.strictObject({
  deviceId: idSchema(),
  name: textSchema(80),
  endpoint: z.url({ error: 'expected the address that the browser gave' }).max(2000),
  p256dh: base64url(100),
  auth: base64url(40),
});
export type DeviceEntry = z.output<typeof deviceSchema>;

/** The end of being told on a device. */
export const endDeviceSchema = z.strictObject({ deviceId: idSchema() });
export type EndDevice = z.output<typeof endDeviceSchema>;
