import { withoutGlances } from '@wrightonic/contract';
import parse from 'joi-to-json';
import { COMMANDS } from './commands';
import { EXAMPLES } from './examples';

const ABOUT: Readonly<Record<string, string>> = {
  catalogue:
    'No input. All the catalogues as the product uses them: findings with causes and consequences, arrows with weights, leaks, signs, drills, tests, measures, rules.',
  diagnose:
    'The judgement over evidence: roots with reasons, what should ease, what to leave alone, split, next checks, flags, focus. Beside the promised fields: `cleared` and `worth` (% of own speed) of each root, `ownSpeedMph`, `focus.open` when no root is likely enough.',
  gate: 'The gate on logged reps. `rung` (optional) lets rung 0 stay where another would go back, and from rung 4 on asks for a session that was seen. `aids`, `firstFive`, `seen` count where the log carries them; `alone` marks reps logged by an athlete or a guardian without a coach. A row without reps is no session, but its pain counts. `counter` is the cheat; `counterAction` what to do about it. All numbers are settings; those that would let nobody through are refused.',
  workload:
    'What today, the week and the rules allow. `league` (optional) holds the league’s written rule: daily, perGame, weekly, rest, `ageCutOff` (the day of the year, MM-DD, on which it reads ages) and `ages` (numbers of their own from an age on). `at` (optional) is when on the day it is asked; without it, at its end. Clearances open from `at` to `until`; without `at` the pain of their own day counts as reported after it. Beside the promised fields: `highestEffort`, `clearance`, `lockComesBack`, `week.floor`.',
  plan: 'A plan from state under every hard rule. Equipment that the catalogue does not know is ignored. Beside the promised fields: `role` and `focus` of each item, `note` of each session.',
  trend:
    'Speed over time: gain with its band, growth, guns, effort, series. `gain` and `beyondGrowth` are null with fewer than two days.',
  sequence:
    'Body speeds of throws. Times are against release, which without `releaseS` is the fastest moment of the forearm. `gapsMs` and `gains` are named by the step of the relay (`pelvis-trunk`); `shutOff` is of forward speed where `linear` is given, of the turn else; `separation` is the turn of pelvis against trunk since the window began, and wants `contactS`. Beside the promised fields: `evidence`, ready for `diagnose`. How it is read: [sequence.md](sequence.md).',
  camp: 'Who is where when at a camp. Each hard rule holds, or `violations` and `infeasible` say which not and the least that would mend it; the schedule is whole but for that. With `current` the rest of each day that something happens on is planned anew, as few athletes as possible being sent elsewhere. `kit` of a station (optional) is how many pieces there are of what each athlete there needs. Findings are matched by name. `secondsLimit` picks how much is tried, never the clock; `seed` picks among schedules that are as good. How it is found, what each wish is worth and what the bound means: [camps.md](camps.md).',
};

const fenced = (value: unknown): string => `\`\`\`json\n${JSON.stringify(value, null, 2)}\n\`\`\``;

/** The page docs/cli.md. Long answers are cut. */
export async function commandsPage(): Promise<string> {
  const sections: string[] = [];
  for (const [name, command] of Object.entries(COMMANDS)) {
    const example = EXAMPLES[name];
    const answer = example ? await command.run(example) : null;
    const shown = answer?.ok ? JSON.stringify(answer.value) : '';
    sections.push(
      [
        `## ${name}`,
        ABOUT[name] ?? '',
        ...(example
          ? [
              'Input:',
              fenced(example),
              'Answer (cut after 700 characters):',
              `\`\`\`json\n${shown.slice(0, 700)}${shown.length > 700 ? '…' : ''}\n\`\`\``,
            ]
          : []),
        ...(command.schema
          ? [
              `<details><summary>JSON Schema of the input</summary>\n\n${fenced(withoutGlances(parse(command.schema, 'json')))}\n\n</details>`,
            ]
          : []),
      ].join('\n\n'),
    );
  }
  return `${[
    '# The headless commands',
    '`npm run --silent wrightonic -- <command> < in.json > out.json` runs the core without the interface. Exit 0 with JSON on standard output; input that cannot be used: exit 2, nothing on standard output, and one object `{"title","detail","errors":[{"path","message"}]}` on standard error. Same input, same bytes. Unknown fields are refused. `on` is the day of the evaluation: the core has no clock. This page is written by `node scripts/cli-docs.mjs`.',
    ...sections,
  ].join('\n\n')}\n`;
}
