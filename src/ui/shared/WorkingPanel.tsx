'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { WorkingPart } from '@/core/evaluate';

export interface WorkingRequest {
  title: string;
  /** Recorded only when the panel opens. */
  record: () => WorkingPart[];
}

const Drawer = dynamic(() => import('./WorkingDrawer').then((module) => module.WorkingDrawer), { ssr: false });

/** The reason behind a number, in a drawer that is fetched when the first one is asked for. */
export function WorkingPanel({ request, onClose }: { request: WorkingRequest | null; onClose: () => void }) {
  const [asked, setAsked] = useState(false);
  if (request !== null && !asked) setAsked(true);
  return asked ? <Drawer request={request} onClose={onClose} /> : null;
}
