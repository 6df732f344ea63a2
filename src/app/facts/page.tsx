import { FactsScreen } from '@/screens/facts/facts-screen';

export const metadata = { title: 'On record' };
export const dynamic = 'force-static';

export default function Page() {
  return <FactsScreen />;
}
