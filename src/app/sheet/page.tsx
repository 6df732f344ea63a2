import { SheetScreen } from '@/screens/flights/sheet-screen';

export const metadata = { title: 'Sheets' };
export const dynamic = 'force-static';

export default function Page() {
  return <SheetScreen />;
}
