import { INTAKE_STEPS } from '@wrightonic/contract';
import type { IntakeStep, Problem } from '@wrightonic/contract';
import { thoughtById } from '@wrightonic/core';
import { useEffect, useState } from 'react';
import { api, problemOf } from '../../data/api';
import { drafts } from '../../data/storage';
import { EMPTY_FORM, formOf, recordFrom } from './form';
import type { IntakeForm } from './form';

export interface Intake {
  readonly form: IntakeForm | null;
  readonly problem: Problem | null;
  readonly busy: boolean;
  /** Changes the form; it is kept on the device at once. */
  readonly change: (change: Partial<IntakeForm>) => void;
  /** Sends what there is to the server. @returns whether it has it */
  readonly keep: (next: IntakeStep | null, agreed?: boolean) => Promise<boolean>;
  /** The discipline was corrected, and what belongs to the other one waits for a yes. */
  readonly asksToSetAside: boolean;
}

/**
 * An intake under way. What is typed is in the browser's database with every change; each step that is left is sent. An athlete
 * who is known is read from the server, and a newer draft of this device goes over it.
 */
export function useIntake(id: string, known: boolean): Intake {
  const { data: me } = api.useMeQuery();
  const { data: overview } = api.useAthleteQuery({ athlete: id }, { skip: !known });
  const { data: answer } = api.useIntakeQuery({ athlete: id }, { skip: !known });
  const [putAthlete, puttingAthlete] = api.usePutAthleteMutation();
  const [putIntake, puttingIntake] = api.usePutIntakeMutation();
  const [form, setForm] = useState<IntakeForm | null>(null);
  const user = me?.id;
  const unit = me?.academy.lengthUnit ?? 'cm';
  const ready = !known || (overview !== undefined && answer !== undefined);
  useEffect(() => {
    if (!user || !ready) return;
    void drafts
      .get<IntakeForm>(id, user)
      .catch(() => null)
      .then((draft) => {
        const fresh = overview && answer ? formOf(overview.athlete, answer.intake, unit) : EMPTY_FORM;
        setForm((now) => now ?? draft?.form ?? fresh);
      });
    // The form is filled once; what the server says later does not overwrite what is being typed.
  }, [user, ready, id, overview, answer, unit]);
  const change = (part: Partial<IntakeForm>) => {
    if (!form || !user) return;
    const next = { ...form, ...part };
    setForm(next);
    void drafts.put({ id, user, at: new Date().toISOString(), form: next }).catch(() => undefined);
  };
  const keep = async (next: IntakeStep | null, agreed = false): Promise<boolean> => {
    const record = form && recordFrom(form, unit);
    if (!form || !record) return false;
    const stored = await putAthlete({ athlete: id, body: agreed ? { ...record, setForeignAside: true } : record });
    if (!stored.data) return false;
    const { guardians, games } = form.intake;
    const intake = {
      ...form.intake,
      // Thoughts of the other delivery go with it.
      thoughts: form.intake.thoughts.filter((t) => thoughtById(t).disciplines.includes(record.discipline)),
      // A line that was opened and left empty is no guardian and no game.
      guardians: guardians.filter((g) => g.name.trim() || g.contact.trim()),
      games: games.filter((g) => g.date),
      next: furthest(form.intake.next, next),
    };
    const kept = await putIntake({ athlete: id, body: intake });
    if (!kept.data) return false;
    setForm({ ...form, intake, known: true });
    await drafts.remove(id).catch(() => undefined);
    return true;
  };
  const error = puttingAthlete.error ?? puttingIntake.error;
  return {
    form,
    problem: error ? problemOf(error) : null,
    asksToSetAside: problemOf(puttingAthlete.error).title === 'The discipline would change',
    busy: puttingAthlete.isLoading || puttingIntake.isLoading,
    change,
    keep,
  };
}

/** Going back over a finished intake does not open it again; going on never goes back. */
function furthest(now: IntakeStep | null, next: IntakeStep | null): IntakeStep | null {
  if (now === null || next === null) return null;
  return INTAKE_STEPS.indexOf(now) > INTAKE_STEPS.indexOf(next) ? now : next;
}
