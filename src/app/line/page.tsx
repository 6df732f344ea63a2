import { LineScreen } from '@/screens/aircraft/line-screen';

export const metadata = { title: 'The Line' };
export const dynamic = 'force-static';

export default function Page() {
  return <LineScreen />;
}
