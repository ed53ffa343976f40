import {
  check,
  diagnosisRequestSchema,
  gateRequestSchema,
  measureRequestSchema,
  planRequestSchema,
  simulateRequestSchema,
  trendRequestSchema,
  workloadRequestSchema,
} from '@wrightonic/contract';
import type { Checked } from '@wrightonic/contract';
import { campRequestSchema, sequenceRequestSchema } from '@wrightonic/contract/commands';
import { diagnose, gateSettings, improvePlan, judgeGate, measureThrow, trend, workload } from '@wrightonic/core';
import { simulate } from '@wrightonic/core/simulate';
import type { Plan, PlanRequest } from '@wrightonic/core';
import { scheduleCamp } from '@wrightonic/core/camp';
import type { CampRequest, CampSchedule } from '@wrightonic/core/camp';
import { readSequence } from '@wrightonic/core/sequence';
import { campLimits, solverWith } from '@wrightonic/solver';
import loadHighs from 'highs';
import type Joi from 'joi';
import { catalogue } from './catalogue';

export interface Command {
  readonly takesInput: boolean;
  /** Schema of the input, for the documentation. */
  readonly schema: Joi.Schema | null;
  readonly run: (input: unknown) => Promise<Checked<unknown>>;
}

function command<T>(schema: Joi.Schema<T>, compute: (input: T) => unknown): Command {
  return {
    takesInput: true,
    schema,
    run: async (input) => {
      const checked = check(schema, input);
      return checked.ok ? { ok: true, value: await compute(checked.value) } : checked;
    },
  };
}

/** The best plan that the solver finds; its library is loaded for this command only. */
async function plan(request: PlanRequest): Promise<Plan> {
  return improvePlan(request, solverWith(await loadHighs()));
}

async function camp(request: CampRequest): Promise<CampSchedule> {
  return scheduleCamp(request, solverWith(await loadHighs(), campLimits(request.secondsLimit)));
}

/** Every headless command: a schema and the core function behind it. */
export const COMMANDS: Readonly<Record<string, Command>> = {
  catalogue: { takesInput: false, schema: null, run: () => Promise.resolve({ ok: true, value: catalogue() }) },
  diagnose: command(diagnosisRequestSchema, diagnose),
  gate: command(gateRequestSchema, (input) =>
    judgeGate(input.log, gateSettings(input.settings ? { gate: input.settings } : undefined), input.rung),
  ),
  workload: command(workloadRequestSchema, workload),
  plan: command(planRequestSchema, plan),
  trend: command(trendRequestSchema, trend),
  measure: command(measureRequestSchema, measureThrow),
  sequence: command(sequenceRequestSchema, readSequence),
  camp: command(campRequestSchema, camp),
  simulate: command(simulateRequestSchema, simulate),
};
