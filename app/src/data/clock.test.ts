/** @jest-environment node */
import { clockError, clockIn, dayIn, measureClock, now } from './clock';

const server = 'Mon, 04 May 2026 15:00:00 GMT';
const at = Date.parse(server);

describe('the phone’s clock', () => {
  it('is measured with every answer, and stamps are right all the same', () => {
    const ahead = 10 * 60_000;
    measureClock(server, at + ahead, at + ahead + 1000);
    expect(clockError()).toBeGreaterThan(ahead - 2000);
    jest.spyOn(Date, 'now').mockReturnValue(at + ahead + 5000);
    expect(Math.abs(now().getTime() - (at + 5000))).toBeLessThan(2000);
    jest.restoreAllMocks();
  });

  it('is right when it is right, to the second that the server tells', () => {
    measureClock(server, at + 100, at + 900);
    expect(clockError()).toBe(0);
  });

  it('is not judged by an answer that took long, or told no time', () => {
    measureClock(server, at - 60_000, at - 59_000);
    const known = clockError();
    measureClock(server, at, at + 20_000);
    measureClock(null, at, at);
    measureClock('junk', at, at);
    expect(clockError()).toBe(known);
    measureClock(server, at + 100, at + 900);
  });

  it('knows the day and the time of the academy’s zone', () => {
    const late = new Date('2026-05-04T23:30:00Z');
    expect([dayIn('UTC', late), dayIn('Asia/Tokyo', late), clockIn('Asia/Tokyo', late)]).toEqual([
      '2026-05-04',
      '2026-05-05',
      '08:30',
    ]);
  });
});
