import { AircraftDataScreen } from '@/screens/aircraft/aircraft-data-screen';

export const metadata = { title: 'Aircraft data' };
export const dynamic = 'force-static';

export default function Page() {
  return <AircraftDataScreen />;
}
