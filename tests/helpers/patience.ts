import { configure } from '@testing-library/react';
import * as React from 'react';

/** What is waited for comes when it comes: no test is about speed. */
configure({ asyncUtilTimeout: 60_000 });

// React notes for each element where it was written, for its own warnings: a fifth of the time of these tests. It
// leaves off once it has noted enough.
const inner = (React as unknown as Record<string, { recentlyCreatedOwnerStacks: number }>)[
  '__CLIENT_INTERNALS_DO_NOT_USE_OR_WARN_USERS_THEY_CANNOT_UPGRADE'
];
if (inner)
  Object.defineProperty(inner, 'recentlyCreatedOwnerStacks', { get: () => Number.MAX_SAFE_INTEGER, set: () => {} });
