/** Bytes as megabytes in words. */
export const megabytes = (bytes: number) => `${(bytes / 1_048_576).toFixed(1)} MB`;
