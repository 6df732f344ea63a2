import { FactsScreen } from '@/screens/aircraft/facts-screen';

export const metadata = { title: 'On record' };
export const dynamic = 'force-static';

export default function Page() {
  return <FactsScreen />;
}
