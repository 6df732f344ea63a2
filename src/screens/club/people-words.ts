import { sentenceCase } from '@/explain/wording';

export const ACCESS = {
  account: 'has an account',
  invited: 'admitted, has not chosen a password yet',
  'link-too-old': 'the link is too old',
  none: 'cannot sign in: has no link',
} as const;
export const roleName = (role: string) => sentenceCase(role.replace('-', ' '));
