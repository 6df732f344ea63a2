import { RecordsScreen } from '@/screens/aircraft/records-screen';

export const metadata = { title: 'Records' };
export const dynamic = 'force-static';

export default function Page() {
  return <RecordsScreen />;
}
