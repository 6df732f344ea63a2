import { RecordsScreen } from '@/screens/records/records-screen';

export const metadata = { title: 'Records' };
export const dynamic = 'force-static';

export default function Page() {
  return <RecordsScreen />;
}
