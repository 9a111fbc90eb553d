import { ZonesScreen } from '@/ui/zones/ZonesScreen';

export default function Page() {
  return <ZonesScreen />;
}
