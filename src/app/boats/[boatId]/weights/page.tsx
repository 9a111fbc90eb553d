import { WeightsScreen } from '@/ui/weights/WeightsScreen';

export default function Page() {
  return <WeightsScreen />;
}
