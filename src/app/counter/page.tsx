import { CounterScreen } from '@/screens/flights/counter-screen';

export const metadata = { title: 'Counter' };
export const dynamic = 'force-static';

export default function Page() {
  return <CounterScreen />;
}
