import { PlanScreen } from '@/screens/plan/plan-screen';

export const metadata = { title: 'Plan' };
export const dynamic = 'force-static';

export default function Page() {
  return <PlanScreen />;
}
