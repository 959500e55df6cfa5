/** Names the version of the job document that page and server speak, in both directions. */
export const VERSION_HEADER = 'Margin-Version';
