import { answerFile, type FileQuestion } from './fileQuestion';
import { serve } from './serve';

/** Reads files that somebody handed in; what one of them does to this thread, it does to no other. */
serve((question: FileQuestion) => answerFile(question));
