import { commandRoute } from '../../../answer';
import { revokeLink } from '@/commands/club/links';

export const POST = commandRoute('POST /api/people/links/revoke', (ports, actor, { invitationId }) =>
  revokeLink(ports, actor, invitationId),
);
