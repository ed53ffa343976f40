/** The secret of a link: behind the #, so that it is in no log of any server. */
export const secretOfPage = (): string => (typeof window === 'undefined' ? '' : window.location.hash.slice(1));
