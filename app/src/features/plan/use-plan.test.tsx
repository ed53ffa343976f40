import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { PlanRecord } from '@wrightonic/contract';
import { drillById, makePlan } from '@wrightonic/core';
import { useState } from 'react';
import { Pressable, Text } from 'react-native';
import { leavePage, openPage } from '../../testing/page';
import { planRequestOf } from '../../testing/work';
import { usePlan } from './use-plan';

const request = planRequestOf();
const plan = makePlan(request);
const RECORD = { id: 'p', on: request.on, weeks: 2, assigned: false, plan, base: plan, edits: [], broken: [], request };
const [first, second] = plan.sessions;

function Hand() {
  const hand = usePlan('a', undefined);
  return (
    <>
      <Text testID="sessions">{String(hand.record?.plan.sessions.length)}</Text>
      <Text testID="minutes">{String(hand.record?.plan.sessions[0]?.minutes)}</Text>
      <Pressable
        testID="one-less"
        onPress={() => hand.change({ kind: 'drop', date: first!.date, drill: first!.items.at(-1)!.drill })}
      />
      <Pressable testID="leave-out" onPress={() => hand.change({ kind: 'drop-session', date: second!.date })} />
      <Pressable testID="undo" onPress={hand.undo} />
    </>
  );
}

/** A page that can be left. */
function Page() {
  const [open, setOpen] = useState(true);
  return (
    <>
      {open ? <Hand /> : null}
      <Pressable testID="leave" onPress={() => setOpen(false)} />
    </>
  );
}

const shown = async () => {
  const page = openPage(<Page />, { '/api/athletes/a/plan': RECORD as unknown as PlanRecord }, RECORD);
  await waitFor(() => expect(screen.getByTestId('sessions').props.children).toBe(String(plan.sessions.length)));
  return page;
};
const press = (id: string) => act(() => void fireEvent.press(screen.getByTestId(id)));
const edits = (sent: readonly { url: string; body: unknown }[]) =>
  sent.filter((s) => s.url.endsWith('/edits')).map((s) => (s.body as { edits: { kind: string }[] }).edits.map((e) => e.kind));

afterEach(leavePage);

describe('a plan in the hand', () => {
  it('shows a change at once, and sends all of them when the hand rests', async () => {
    const { sent } = await shown();
    const last = first!.items.at(-1)!;
    press('one-less');
    expect(screen.getByTestId('minutes').props.children).toBe(String(first!.minutes - last.minutes));
    expect(drillById(last.drill).id).toBe(last.drill);
    press('leave-out');
    expect(screen.getByTestId('sessions').props.children).toBe(String(plan.sessions.length - 1));
    expect(edits(sent)).toEqual([]);
    await waitFor(() => expect(edits(sent)).toEqual([['drop', 'drop-session']]));
  });

  it('takes back the last change first', async () => {
    const { sent } = await shown();
    press('one-less');
    press('leave-out');
    press('undo');
    expect(screen.getByTestId('sessions').props.children).toBe(String(plan.sessions.length));
    await waitFor(() => expect(edits(sent)).toEqual([['drop']]));
  });

  it('loses nothing when the page is left before the hand rests', async () => {
    const { sent } = await shown();
    press('leave-out');
    press('leave');
    await waitFor(() => expect(edits(sent)).toEqual([['drop-session']]));
  });

  it('sends nothing when it is only looked at', async () => {
    const { sent } = await shown();
    press('leave');
    await act(() => new Promise((done) => setTimeout(done, 700)));
    expect(sent).toEqual([]);
  });
});
