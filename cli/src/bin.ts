import { run } from './main';

run(process.argv[2]).then(
  (code) => {
    process.exitCode = code;
  },
  (error: unknown) => {
    const detail = error instanceof Error ? error.message : String(error);
    process.stderr.write(`${JSON.stringify({ title: 'The command failed', detail, errors: [] })}\n`);
    process.exitCode = 1;
  },
);
