import { FoundingScreen } from '@/screens/club/founding-screen';

export const metadata = { title: 'A new club' };
export const dynamic = 'force-static';

export default function Page() {
  return <FoundingScreen />;
}
