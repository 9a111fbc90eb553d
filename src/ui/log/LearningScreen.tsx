'use client';
import Link from 'next/link';
import { useState } from 'react';
import type { LearningPage } from '@/core/log';
import { Frame } from '../shared/Frame';
import { PersonField } from '../shared/PersonField';
import { useWho } from '../shared/who';
import { ClothCard } from './ClothCard';
import { LearnedCard } from './LearnedCard';
import { RateCard } from './RateCard';

/** What the yard's own readings teach, drawn against what is published, and put to use on purpose. */
export function LearningScreen({ initial, today }: { initial: LearningPage; today: string }) {
  const [page, setPage] = useState(initial);
  const { may } = useWho();
  return (
    <Frame
      head={
        <>
          <h1>Learning</h1>
          <Link href="/log">The log</Link>
          <span className="spacer" />
          <PersonField />
        </>
      }
    >
      <p className="question">What do our own hulls and samples say, and shall we build by it?</p>
      {page.learned.length === 0 && (
        <p>
          Nothing was read that teaches yet: drill plugs, read thickness where one form of cloth is most of a zone,
          break a sample under <Link href="/log/trials">Trials</Link>, or put a piece of cloth on the scales.
        </p>
      )}
      <div className="learned">
        {page.learned.map((learned) => (
          <LearnedCard
            key={`${learned.property}|${learned.process}|${learned.form}|${learned.material}`}
            learned={learned}
            inUse={page.inUse}
            today={today}
            onPage={setPage}
          />
        ))}
      </div>
      {page.rates.map((learned) => (
        <RateCard
          key={`${learned.rate}|${learned.process}`}
          learned={learned}
          used={page.ratesInUse.find((one) => one.rate === learned.rate && one.process === learned.process)}
          today={today}
          onPage={setPage}
        />
      ))}
      {may('measure') && page.cloths.length > 0 && <ClothCard cloths={page.cloths} today={today} onPage={setPage} />}
    </Frame>
  );
}
