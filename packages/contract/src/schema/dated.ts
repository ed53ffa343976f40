import type Joi from 'joi';

/** Rows of the past may not lie after the day of the evaluation. */
export function nothingAfter<T extends { on: string }>(
  lists: (value: T) => readonly (readonly [string, readonly { date: string }[]])[],
): Joi.CustomValidator {
  return (value: T, helpers) => {
    for (const [name, rows] of lists(value)) {
      const late = rows.findIndex((row) => row.date > value.on);
      if (late >= 0)
        return helpers.error('date.future', { where: `${name}[${late}].date`, date: rows[late]!.date, on: value.on });
    }
    return value;
  };
}
export const futureMessage = { 'date.future': '{{#where}} is {{#date}}, after the day of the evaluation ({{#on}})' };

export const bornBefore: Joi.CustomValidator = (value: { on: string; athlete: { birthDate: string } }, helpers) =>
  value.athlete.birthDate > value.on ? helpers.error('born.later', { birthDate: value.athlete.birthDate, on: value.on }) : value;
export const bornMessage = { 'born.later': 'athlete.birthDate is {{#birthDate}}, after the day of the evaluation ({{#on}})' };
