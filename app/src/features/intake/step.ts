import type { IntakeRecord } from '@wrightonic/contract';
import type { IntakeForm } from './form';

/** What every step of the intake is given. */
export interface StepProps {
  readonly id: string;
  readonly form: IntakeForm;
  readonly change: (change: Partial<IntakeForm>) => void;
}

/** Changes a part of the intake. */
export const setIntake = ({ form, change }: StepProps, part: Partial<IntakeRecord>) =>
  change({ intake: { ...form.intake, ...part } });
