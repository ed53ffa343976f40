// Reps through a bad day, at a small size; “npm run trial” has the full one.
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { runTrial } from '../lib/trial.mjs';

test('500 reps from four phones, two copies and the database killed: none lost, none doubled, one final state', async () => {
  const { reps, lost, doubled, refused, states } = await runTrial({ reps: 500, seed: 27, kills: 2 });
  assert.deepEqual({ reps, lost, doubled, refused, states }, { reps: 500, lost: 0, doubled: 0, refused: 0, states: 1 });
});
