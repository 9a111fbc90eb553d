'use client';
import dynamic from 'next/dynamic';
import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { may, type Right, type Who } from '@/core/people';
import { onSignedOut, setSignedIn } from './api';

/** What this browser knows of who is signed in. */
export interface SessionState {
  /** Whether there are accounts: without, everybody at this machine may do everything. */
  accounts: boolean;
  who: Who | null;
  endsAt: string | null;
  tablet: { id: string; name: string } | null;
  people: Pick<Who, 'id' | 'name'>[];
  /** On a tablet: shows who recorded something while the server was away. */
  pass: string | null;
}
export const NOBODY: SessionState = { accounts: false, who: null, endsAt: null, tablet: null, people: [], pass: null };

interface WhoContext extends SessionState {
  setSession: (session: SessionState) => void;
  may: (right: Right) => boolean;
}
const Context = createContext<WhoContext>({ ...NOBODY, setSession: () => {}, may: () => true });
export const useWho = () => useContext(Context);

const SignInAgain = dynamic(() => import('../people/SignInAgain').then((module) => module.SignInAgain), { ssr: false });

/** Who is signed in here; whoever's session has ended signs in again without leaving the page. */
export function WhoProvider({ initial, children }: { initial: SessionState; children: ReactNode }) {
  const [session, setSession] = useState(initial);
  const [ended, setEnded] = useState(false);
  const { who, accounts } = session;
  useEffect(() => setSignedIn(who?.name ?? null), [who]);
  useEffect(() => onSignedOut(() => setEnded(true)), []);
  const value = useMemo(
    () => ({
      ...session,
      setSession: (next: SessionState) => {
        setSession(next);
        setEnded(false);
      },
      may: (right: Right) => may(accounts ? (who?.roles ?? []) : null, right),
    }),
    [session, accounts, who],
  );
  return (
    <Context value={value}>
      {children}
      {ended && <SignInAgain />}
    </Context>
  );
}
