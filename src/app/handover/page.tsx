import { HandoverScreen } from '@/screens/flights/handover-screen';

export const metadata = { title: 'Handover' };
export const dynamic = 'force-static';

export default function Page() {
  return <HandoverScreen />;
}
