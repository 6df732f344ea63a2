import { RampScreen } from '@/screens/ramp/ramp-screen';

export const metadata = { title: 'Ramp' };
export const dynamic = 'force-static';

export default function Page() {
  return <RampScreen />;
}
