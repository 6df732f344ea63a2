import { CardScreen } from '@/screens/releases/card-screen';

export const metadata = { title: 'Release', robots: { index: false } };
export const dynamic = 'force-static';

export default function Page() {
  return <CardScreen />;
}
