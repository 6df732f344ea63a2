import { SafetyScreen } from '@/screens/club/safety-screen';

export const metadata = { title: 'Safety' };
export const dynamic = 'force-static';

export default function Page() {
  return <SafetyScreen />;
}
