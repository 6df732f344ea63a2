import { DocumentCheckScreen } from '@/screens/documents/document-check-screen';

export const metadata = { title: 'Document check' };
export const dynamic = 'force-static';

export default function Page() {
  return <DocumentCheckScreen />;
}
