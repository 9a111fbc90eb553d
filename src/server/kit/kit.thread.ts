import { bookPdf } from '../print/bookPdf';
import { kitSheets } from '../print/kitSheets';
import { serve } from '../threads/serve';
import { bookHere, labelsHere, piecesHere, type KitAnswer, type KitAsk } from './kitting';

/** Finds the pieces of one boat after the other, as they are, as tables or as labels. */
serve(async (ask: KitAsk): Promise<KitAnswer> => {
  switch (ask.as) {
    case 'sheets':
      return { as: 'sheets', sheets: kitSheets(ask.boat, ask.yard) };
    case 'book':
      return { as: 'book', pdf: await bookHere(ask.boat, ask.yard) };
    case 'pieces':
      return { as: 'pieces', pieces: piecesHere(ask.boat, ask.cutting) };
    case 'boatBook':
      return { as: 'boatBook', pdf: new Uint8Array(await bookPdf(ask.book, ask.options)) };
    case 'labels':
      return { as: 'labels', pdf: await labelsHere(ask.asked) };
  }
});
