import { PanelScreen } from '@/ui/panel/PanelScreen';

export default function Page() {
  return <PanelScreen />;
}
