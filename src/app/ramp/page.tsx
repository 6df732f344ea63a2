import { RampScreen } from '@/screens/findings/ramp-screen';

export const metadata = { title: 'Ramp' };
export const dynamic = 'force-static';

export default function Page() {
  return <RampScreen />;
}
