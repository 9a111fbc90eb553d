import { AnalysisScreen } from '@/ui/analysis/AnalysisScreen';

export default function Page() {
  return <AnalysisScreen />;
}
