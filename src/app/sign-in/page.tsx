import { SignIn } from '@/screens/club/sign-in';

export const metadata = { title: 'Sign in' };
export const dynamic = 'force-static';

export default function Page() {
  return <SignIn />;
}
