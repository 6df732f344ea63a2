import { AccountScreen } from '@/screens/club/account-screen';

export const metadata = { title: 'Account' };
export const dynamic = 'force-static';

export default function Page() {
  return <AccountScreen />;
}
