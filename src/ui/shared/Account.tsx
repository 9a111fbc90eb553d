'use client';
import dynamic from 'next/dynamic';
import { useWho } from './who';

/** Its menu is fetched where somebody can be signed in at all. */
const Menu = dynamic(() => import('./AccountMenu').then(({ AccountMenu }) => AccountMenu), { ssr: false });

/** Who is signed in; nothing where there are no accounts. */
export function Account() {
  const { who } = useWho();
  return who ? <Menu /> : null;
}
