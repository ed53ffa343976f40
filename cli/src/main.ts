import { EvidenceError } from '@wrightonic/core';
import type { Problem } from '@wrightonic/contract';
import { COMMANDS } from './commands';

/** Exit code for input that cannot be used. */
const BAD_INPUT = 2;

async function readAll(stream: NodeJS.ReadableStream): Promise<string> {
  let all = '';
  stream.setEncoding('utf8');
  for await (const chunk of stream) all += chunk as string;
  return all;
}

function refuse(problem: Problem): number {
  process.stderr.write(`${JSON.stringify(problem)}\n`);
  return BAD_INPUT;
}

/** Runs one command; the answer goes to stdout, a refusal to stderr. @returns the exit code */
export async function run(name: string | undefined): Promise<number> {
  const command = name === undefined ? undefined : COMMANDS[name];
  if (!command) {
    const known = Object.keys(COMMANDS).join(', ');
    return refuse({
      title: 'No such command',
      detail: name === undefined ? `Name a command: ${known}.` : `“${name}” is not a command. Commands: ${known}.`,
      errors: [{ path: 'command', message: `must be one of ${known}` }],
    });
  }
  let input: unknown;
  if (command.takesInput) {
    const given = await readAll(process.stdin);
    try {
      input = JSON.parse(given);
    } catch (error) {
      const message = given.trim() === '' ? 'nothing came on standard input; pipe a JSON object in' : (error as Error).message;
      return refuse({ title: 'The input is not JSON', detail: message, errors: [{ path: '', message }] });
    }
  }
  try {
    const answer = await command.run(input);
    if (!answer.ok) return refuse(answer.problem);
    process.stdout.write(`${JSON.stringify(answer.value)}\n`);
    return 0;
  } catch (error) {
    if (error instanceof EvidenceError) {
      const path = `${error.list}[${error.index}].${error.field}`;
      return refuse({
        title: 'The evidence is not right',
        detail: `${path}: ${error.message}`,
        errors: [{ path, message: error.message }],
      });
    }
    throw error;
  }
}
