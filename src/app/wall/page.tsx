import { WallScreen } from '@/screens/aircraft/wall-screen';

export const metadata = { title: 'Wall' };
export const dynamic = 'force-static';

export default function Page() {
  return <WallScreen />;
}
