import { join } from 'node:path';
import ts from 'typescript';
import { startHarness } from './harness';
import type { Harness } from './harness';

const FOLDER = join(__dirname, '..', 'src', 'db', 'tables');
/** May be empty by the table alone: every row has them, since a migration filled them. */
const ALWAYS_THERE: ReadonlySet<string> = new Set(['verdicts.at', 'plans.ends_on']);

let harness: Harness;
beforeAll(async () => {
  harness = await startHarness();
});
afterAll(() => harness.close());

/** Columns and whether they may be empty, by table, as the types say: read by the compiler, which the database knows nothing of. */
function typed(): Record<string, Record<string, boolean>> {
  const program = ts.createProgram([join(FOLDER, 'index.ts')], { strict: true, skipLibCheck: true, noLib: false });
  const checker = program.getTypeChecker();
  const found: Record<string, Record<string, boolean>> = {};
  const source = program.getSourceFile(join(FOLDER, 'index.ts'))!;
  ts.forEachChild(source, (node) => {
    if (!ts.isInterfaceDeclaration(node) || !['AcademyTables', 'OtherTables'].includes(node.name.text)) return;
    for (const table of checker.getTypeAtLocation(node).getProperties()) {
      const row = checker.getTypeOfSymbol(table);
      found[table.name] = Object.fromEntries(
        row.getProperties().map((column) => {
          const type = checker.getTypeOfSymbol(column);
          return [column.name, type.isUnion() && type.types.some((t) => (t.flags & ts.TypeFlags.Null) !== 0)];
        }),
      );
    }
  });
  return found;
}

it('are typed as they stand in the database, column by column', async () => {
  const [rows] = (await harness.db.raw(
    `select table_name as t, column_name as c, is_nullable as n from information_schema.columns
     where table_schema = database() and table_name not like 'knex%'`,
  )) as [{ t: string; c: string; n: 'YES' | 'NO' }[]];
  const stand: Record<string, Record<string, boolean>> = {};
  for (const { t, c, n } of rows) (stand[t] ??= {})[c] = n === 'YES' && !ALWAYS_THERE.has(`${t}.${c}`);
  const types = typed();
  expect(Object.keys(types).sort()).toEqual(Object.keys(stand).sort());
  const of = (tables: Record<string, Record<string, boolean>>) =>
    Object.entries(tables)
      .flatMap(([table, columns]) => Object.entries(columns).map(([c, empty]) => `${table}.${c}${empty ? ' or null' : ''}`))
      .sort();
  expect(of(types)).toEqual(of(stand));
});
