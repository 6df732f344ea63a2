import { DispatchScreen } from '@/screens/flights/dispatch-screen';

export const metadata = { title: 'Dispatch' };
export const dynamic = 'force-static';

export default function Page() {
  return <DispatchScreen />;
}
