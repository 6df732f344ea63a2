import { JoinScreen } from '@/screens/club/join-screen';

export const metadata = { title: 'Choose a password' };
export const dynamic = 'force-static';

export default function Page() {
  return <JoinScreen />;
}
