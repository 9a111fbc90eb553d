import type { Metadata } from 'next';
import { readLearning } from '@/server/log/readLearning';
import { pageContext } from '@/server/page';
import { LearningScreen } from '@/ui/log/LearningScreen';

export const metadata: Metadata = { title: 'Learning' };

export default async function Page() {
  const context = await pageContext();
  return <LearningScreen initial={await readLearning(context)} today={context.now().slice(0, 10)} />;
}
