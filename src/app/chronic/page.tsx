import { ChronicScreen } from '@/screens/findings/chronic-screen';

export const metadata = { title: 'Chronic defects' };
export const dynamic = 'force-static';

export default function Page() {
  return <ChronicScreen />;
}
