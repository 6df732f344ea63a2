import { route } from '../answer';

/** Who is signed in. */
export const GET = route((actor) => Promise.resolve(Response.json({ name: actor.name, roles: actor.roles, personId: actor.personId })));
