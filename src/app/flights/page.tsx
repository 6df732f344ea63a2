import { PlanScreen } from '@/screens/flights/plan-screen';

export const metadata = { title: 'Plan' };
export const dynamic = 'force-static';

export default function Page() {
  return <PlanScreen />;
}
