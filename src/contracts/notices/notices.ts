import { z } from 'zod';
import { idSchema } from '../kernel/scalars';

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
