import { CheckScreen } from '@/ui/check/CheckScreen';

export default function Page() {
  return <CheckScreen />;
}
