import { TriageScreen } from '@/screens/findings/triage-screen';

export const metadata = { title: 'New findings' };
export const dynamic = 'force-static';

export default function Page() {
  return <TriageScreen />;
}
