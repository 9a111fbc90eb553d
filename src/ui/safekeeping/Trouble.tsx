'use client';
import dynamic from 'next/dynamic';

/** Said in the place of every page while the database cannot be used; fetched only then. */
export const Trouble = dynamic(() => import('./SafekeepingScreen').then((module) => module.SafekeepingScreen));
