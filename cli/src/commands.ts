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
import { diagnose, gateSettings, judgeGate, makePlan, measureThrow, simulate, trend, workload } from '@wrightonic/core';
import type Joi from 'joi';
import { catalogue } from './catalogue';

export interface Command {
  readonly takesInput: boolean;
  /** Schema of the input, for the documentation. */
  readonly schema: Joi.Schema | null;
  readonly run: (input: unknown) => Checked<unknown>;
}

function command<T>(schema: Joi.Schema<T>, compute: (input: T) => unknown): Command {
  return {
    takesInput: true,
    schema,
    run: (input) => {
      const checked = check(schema, input);
      return checked.ok ? { ok: true, value: compute(checked.value) } : checked;
    },
  };
}

/** Every headless command: a schema and the core function behind it. */
export const COMMANDS: Readonly<Record<string, Command>> = {
  catalogue: { takesInput: false, schema: null, run: () => ({ ok: true, value: catalogue() }) },
  diagnose: command(diagnosisRequestSchema, diagnose),
  gate: command(gateRequestSchema, (input) =>
    judgeGate(input.log, gateSettings(input.settings ? { gate: input.settings } : undefined), input.rung),
  ),
  workload: command(workloadRequestSchema, workload),
  plan: command(planRequestSchema, (input) => makePlan(input)),
  trend: command(trendRequestSchema, trend),
  measure: command(measureRequestSchema, measureThrow),
  simulate: command(simulateRequestSchema, simulate),
};
