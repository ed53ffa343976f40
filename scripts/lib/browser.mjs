/** Debian's Chromium without a window: it draws the same pages in about two thirds of the time. */
export const CHROMIUM = '/usr/bin/chromium-headless-shell';
