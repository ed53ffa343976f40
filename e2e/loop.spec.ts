import { expect, test } from './test';
import { addAthlete, addAthleteByHand, look, saw, signIn } from './steps';

/** The whole loop as a coach does it, with the connection cut in the middle of the reps. */
test(
  'from flaws seen to a plan, reps through a cut connection, and the gate’s verdict',
  { tag: '@once' },
  async ({ page, context }, info) => {
    await signIn(page);
    const athlete = await addAthleteByHand(page, `Ferrin Oakhollow ${info.project.name} ${info.retry}`);

    await page.getByTestId('look').click();
    await look(page, {
      stall: 'yes',
      'late-hips': 'yes',
      'turn-together': 'yes',
      'stuck-back': 'no',
      'shin-vertical': 'no',
      'hip-lead-overdone': 'no',
    });
    await expect(page.getByTestId('so-far')).toContainText('trip forward stops');

    await page.goto(`${athlete}/what`);
    await expect(page.getByTestId('first-root')).toContainText('the trip forward stops after the lift');
    await expect(page.getByRole('heading', { name: 'Should ease by itself' })).toBeVisible();
    await page.getByTestId('make-focus').click();

    await page.getByTestId('make-plan').click();
    await page.getByTestId('assign').click();
    await expect(page.getByTestId('focus-title')).toHaveText('The trip forward stops after the lift');
    await expect(page.getByTestId('focus-rung')).toContainText('Rung 1');

    await page.getByTestId('start-work').click();
    await page.getByTestId('nothing-hurts').click();
    await expect(page.getByTestId('cue')).toBeVisible();

    // Three reps on the air, five with the connection cut, all of them counted once.
    for (let n = 0; n < 3; n++) await page.getByTestId('rep-good').click();
    await context.setOffline(true);
    for (let n = 0; n < 4; n++) await page.getByTestId('rep-good').click();
    await page.getByTestId('rep-off').click();
    await page.getByTestId('undo').click();
    await expect(page.getByText('7/', { exact: false }).first()).toBeVisible();
    await expect(page.getByRole('status')).toContainText('kept on this device');
    await context.setOffline(false);
    await expect(page.getByRole('status')).toHaveCount(0, { timeout: 15_000 });

    const session = await page.evaluate(async () => {
      const id = location.pathname.split('/')[2]!;
      const overview = await (await fetch(`/api/athletes/${id}`)).json();
      return { id, timeline: overview.timeline as { kind: string; text: string }[] };
    });
    expect(session.timeline.find((t) => t.kind === 'session')?.text).toBe('7 reps, 7 good');

    while ((await page.getByTestId('next-drill').count()) > 0) {
      await page.getByTestId('next-drill').click();
      await page.getByTestId('rep-good').click();
      await page.getByTestId('rep-close').click();
    }
    await page.getByTestId('end-session').click();
    await page.getByTestId('nothing-hurts').click();
    await expect(page.getByTestId('verdict')).toBeVisible();
    await expect(page.getByTestId('verdict-reason')).toContainText(/reps|sure/);
    await page.getByTestId('session-done').click();
    await expect(page.getByTestId('gate-verdict')).toBeVisible();
  },
);

test('pain reported during the work locks throwing until a clearance is recorded', { tag: '@once' }, async ({ page }, info) => {
  test.setTimeout(150_000);
  await signIn(page);
  const athlete = await addAthlete(page, `Wilm Thistlecombe ${info.project.name} ${info.retry}`);
  await saw(page, athlete, { 'knee-led-load': 'yes', 'glove-pull': 'yes', 'arm-only': 'yes' });
  await page.goto(`${athlete}/what`);
  await page.getByTestId('make-focus').click();
  await page.getByTestId('make-plan').click();
  await page.getByTestId('assign').click();
  await page.getByTestId('start-work').click();
  await page.getByTestId('nothing-hurts').click();
  await page.getByTestId('rep-good').click();

  // It arrives as told two minutes ago: a clearance is told to the minute, and one of the report's own minute would open nothing.
  await page.route('**/sessions/*/log', async (route) => {
    const { entries } = route.request().postDataJSON() as { entries: { at: string; type: string }[] };
    const earlier = entries.map((entry) => ({ ...entry, at: new Date(Date.parse(entry.at) - 120_000).toISOString() }));
    await route.continue({ postData: { entries: earlier } });
  });
  // The rep of before may still be on its way: what is waited for is the report.
  const told = page.waitForResponse(
    (answer) => answer.url().endsWith('/log') && (answer.request().postData() ?? '').includes('"type":"pain"'),
  );
  await page.getByTestId('it-hurts').click();
  await page.getByTestId('something-hurts').click();
  await page.getByTestId('pain-elbow').click();
  await page.getByTestId('pain-score-4').click();
  await page.getByTestId('report-pain').click();
  await expect(page.getByTestId('dry-only')).toContainText('elbow pain of 4');
  await told;
  await page.unroute('**/sessions/*/log');

  await page.goto(athlete);
  await expect(page.getByTestId('locked')).toContainText('clearance must be recorded');
  await expect(page.getByText('throws left').first()).toBeVisible();

  // The server refuses a throw, whatever the page thinks; the record of it is kept as load.
  const refused = await page.evaluate(async () => {
    const id = location.pathname.split('/')[2]!;
    const uuid = () => crypto.randomUUID();
    const session = uuid();
    const send = (path: string, method: string, body: unknown) =>
      fetch(`/api/athletes/${id}${path}`, {
        method,
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
      });
    const on = ((await (await fetch('/api/me')).json()) as { academy: { today: string } }).academy.today;
    await send(`/sessions/${session}`, 'PUT', { on, assignment: null, painBefore: [] });
    const entry = {
      type: 'rep',
      id: uuid(),
      at: new Date().toISOString(),
      drill: 'measured-bullpen',
      rung: 6,
      focus: null,
      judged: 'good',
      effort: 80,
      isThrow: true,
    };
    return (await (await send(`/sessions/${session}/log`, 'POST', { entries: [entry] })).json()).results[0] as {
      status: string;
      reason: string;
    };
  });
  expect(refused.status).toBe('refused');
  expect(refused.reason).toContain('Throwing is locked');

  await page.getByTestId('record-clearance').click();
  await page.getByTestId('clearance-by').fill('Dr. Imelda Fennigard');
  await page.getByTestId('save-clearance').click();
  // The lock is open; the day on which it hurt has no more throws.
  await expect(page.getByTestId('locked')).toContainText('No more throwing today');
});
