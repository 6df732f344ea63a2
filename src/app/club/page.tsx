import { ClubScreen } from '@/screens/club/club-screen';

export const metadata = { title: 'Club' };
export const dynamic = 'force-static';

export default function Page() {
  return <ClubScreen />;
}
