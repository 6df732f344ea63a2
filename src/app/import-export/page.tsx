import { ImportExportScreen } from '@/screens/exchange/import-export-screen';

export const metadata = { title: 'Import and export' };
export const dynamic = 'force-static';

export default function Page() {
  return <ImportExportScreen />;
}
