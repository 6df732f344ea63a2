import { SignIn } from '@/screens/sign-in/sign-in';

export const dynamic = 'force-static';

export default function Page() {
  return <SignIn />;
}
