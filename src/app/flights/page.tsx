import { FlightsScreen } from '@/screens/flights/flights-screen';

export const metadata = { title: 'Flights' };
export const dynamic = 'force-static';

export default function Page() {
  return <FlightsScreen />;
}
