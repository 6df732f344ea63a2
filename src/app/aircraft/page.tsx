import { AircraftScreen } from '@/screens/aircraft/aircraft-screen';

export const metadata = { title: 'Aircraft' };
export const dynamic = 'force-static';

export default function Page() {
  return <AircraftScreen />;
}
