import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useRef, useState } from 'react';
import type { KeptSurvey, Survey } from '@/core/option';
import { api, ApiError } from '../shared/api';

export const surveyKey = (boatId: string, zoneId: string) => ['survey', boatId, zoneId];

/**
 * The readings of a zone, kept with every change, one after the other: what was typed is in the database, or said not
 * to be and still on the page.
 */
export function useSurvey(kept: KeptSurvey, boatId: string, zoneId: string) {
  const cache = useQueryClient();
  const [now, setNow] = useState(kept);
  const [refusal, setRefusal] = useState<string | null>(null);
  /** As it stands on the page, and the version that the server has. */
  const page = useRef(kept);
  const version = useRef(kept.version);
  const last = useRef<Promise<void>>(Promise.resolve());
  const change = useCallback(
    (next: Partial<Survey>, picture?: string | null) => {
      page.current = { ...page.current, ...next, ...(picture !== undefined && { picture }) };
      setNow(page.current);
      setRefusal(null);
      last.current = last.current.then(async () => {
        const { readings, cloths, cores } = page.current;
        try {
          const saved = await api<KeptSurvey>('PUT', `/api/boats/${boatId}/surveys/${zoneId}`, {
            survey: { readings, cloths, cores },
            version: version.current,
            ...(picture !== undefined && { picture }),
          });
          version.current = saved.version;
          cache.setQueryData(surveyKey(boatId, zoneId), saved);
        } catch (problem) {
          setRefusal(
            problem instanceof ApiError
              ? problem.text
              : 'The server could not be reached; what you typed is only on this page so far',
          );
        }
      });
    },
    [boatId, cache, zoneId],
  );
  return { now, change, refusal, setRefusal };
}
