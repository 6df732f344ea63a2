import { route } from '../answer';
import { inClub } from '@/db/club-transaction';
import { rampList } from '@/queries/ramp';
import { runtime } from '@/server/runtime';

export const GET = route(async ({ clubId }) => Response.json(await inClub(runtime().db, clubId, rampList)));
