import { NoticesScreen } from '@/screens/notices/notices-screen';

export const metadata = { title: 'Notices' };
export const dynamic = 'force-static';

export default function Page() {
  return <NoticesScreen />;
}
