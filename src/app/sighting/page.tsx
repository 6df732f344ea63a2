import { SightingScreen } from '@/screens/sighting/sighting-screen';

export const metadata = { title: 'Papers' };
export const dynamic = 'force-static';

export default function Page() { return <SightingScreen />; }
