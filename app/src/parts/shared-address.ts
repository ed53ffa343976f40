/** Where what a link shows is seen. Its secret stands behind the #, so that it is in no log of any server. */
export const sharedAddress = (token: string): string => `${window.location.origin}/shared#${token}`;
