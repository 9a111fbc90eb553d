import glossary from '@data/help/glossary.json';
import screens from '@data/help/screens.json';
import tour from '@data/help/tour.json';

export type TermId = keyof typeof glossary;
/** Terms of the trade and of this application, each in a sentence or two. */
export const GLOSSARY: Readonly<Record<TermId, { term: string; means: string }>> = glossary;

/** What a screen answers, how it is used, and its picture. */
export interface ScreenHelp {
  question: string;
  picture: string;
  points: readonly string[];
}
export const SCREEN_HELP: Readonly<Record<string, ScreenHelp>> = screens;

/** A stop of the tour on the demo boat. */
export interface TourStop {
  path: string;
  title: string;
  text: string;
}
export const TOUR: readonly TourStop[] = tour;
/** The boat the tour is on. */
export const TOUR_BOAT = 'merrow-84';
