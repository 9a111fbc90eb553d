/** How grave a caution is. */
export const SEVERITIES = { danger: 'Danger', warning: 'Warning', advice: 'Advice' } as const;
export type Severity = keyof typeof SEVERITIES;
