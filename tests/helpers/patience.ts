import { configure } from '@testing-library/react';

/** What is waited for comes when it comes: no test is about speed. */
configure({ asyncUtilTimeout: 60_000 });
