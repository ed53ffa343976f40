import fc from 'fast-check';
import Papa from 'papaparse';
import { dayOrderOf, readDate } from './dates';
import type { RosterChoices } from './fields';
import { guessChoices, guessColumns } from './guess';
import { personKey, readRow } from './row';
import { readHeight, readMass } from './sizes';
import { faultsCsv, readTable } from './table';
import { decodeText } from './text';

const ON = '2026-05-04';
const bytes = (text: string) => new TextEncoder().encode(text);

describe('a text file', () => {
  it('is read in whichever encoding it was written', () => {
    expect(decodeText(bytes('Zoë'))).toEqual({ text: 'Zoë', encoding: 'UTF-8' });
    expect(decodeText(new Uint8Array([0xef, 0xbb, 0xbf, ...bytes('Zoë')]))).toMatchObject({ text: 'Zoë' });
    expect(decodeText(new Uint8Array([0x5a, 0x6f, 0xeb]))).toEqual({ text: 'Zoë', encoding: 'Latin-1' });
    expect(decodeText(new Uint8Array([0xff, 0xfe, 0x5a, 0, 0x6f, 0, 0xeb, 0]))).toEqual({ text: 'Zoë', encoding: 'UTF-16' });
    expect(decodeText(bytes('a\r\nb\rc')).text).toBe('a\nb\nc');
  });

  it('comes back as it was, whatever is in it', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (text) => {
        const plain = text.replace(/\r\n?/g, '\n');
        if (!plain.startsWith('\ufeff')) expect(decodeText(bytes(plain)).text).toBe(plain);
      }),
    );
  });
});

describe('a date', () => {
  it.each([
    ['2011-03-14', '2011-03-14'],
    ['14.3.2011', '2011-03-14'],
    ['14/03/2011', '2011-03-14'],
    ['3/14/2011', '2011-03-14'],
    ['14 Mar 2011', '2011-03-14'],
    ['March 14, 2011', '2011-03-14'],
    ['2011/03/14', '2011-03-14'],
    ['4.4.2011', '2011-04-04'],
  ])('%s is read', (written, date) => expect(readDate(written)).toEqual({ kind: 'date', date }));

  it.each(['', '30.2.2011', '14', 'soon', '2011-13-01', '14.3.11', '0/0/2011'])('“%s” is none', (written) =>
    expect(readDate(written)).toEqual({ kind: 'none' }),
  );

  it('that can be read both ways says so, and the column’s others decide', () => {
    expect(readDate('3/4/2011')).toEqual({ kind: 'either', dayFirst: '2011-04-03', monthFirst: '2011-03-04' });
    expect(dayOrderOf(['3/4/2011', '25/4/2011'])).toBe('day-first');
    expect(dayOrderOf(['3/4/2011', '4/25/2011'])).toBe('month-first');
    expect(dayOrderOf(['3/4/2011'])).toBeNull();
    expect(dayOrderOf(['25/4/2011', '4/25/2011'])).toBeNull();
  });

  it('of any day is read back from every way of writing it', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('1950-01-01T00:00:00Z'), max: new Date('2025-12-31T00:00:00Z'), noInvalidDate: true }),
        (day) => {
          const iso = day.toISOString().slice(0, 10);
          const [y, m, d] = iso.split('-').map(Number);
          expect(readDate(iso)).toEqual({ kind: 'date', date: iso });
          const read = readDate(`${d}.${m}.${y}`);
          expect(read.kind === 'either' ? read.dayFirst : read.kind === 'date' ? read.date : '').toBe(iso);
        },
      ),
    );
  });
});

describe('sizes', () => {
  it.each([
    ['178', 1.78],
    ['178 cm', 1.78],
    ['1.78', 1.78],
    ['1,78 m', 1.78],
    ['5\'10"', 1.778],
    ['5 ft 10', 1.778],
    ['70 in', 1.778],
  ])('height %s', (text, metres) => expect(readHeight(text, 'cm')).toBe(metres));
  it('bare inches and bad ones', () => {
    expect(readHeight('70', 'in')).toBe(1.778);
    expect(readHeight('tall', 'cm')).toBeNull();
    expect(readHeight('', 'cm')).toBeNull();
  });
  it('masses', () => {
    expect(readMass('70', 'kg')).toBe(70);
    expect(readMass('154 lb', 'kg')).toBe(69.9);
    expect(readMass('70,5', 'kg')).toBe(70.5);
    expect(readMass('heavy', 'kg')).toBeNull();
  });
});

const HEADER = [
  'First name',
  'Last name',
  'Date of birth',
  'Sport',
  'Throws',
  'Height',
  'Weight',
  'Team',
  'Parent',
  'Parent phone',
];
const row = (...cells: string[]) => ({ line: 2, cells });
const choices: RosterChoices = {
  columns: guessColumns(HEADER),
  dayOrder: 'day-first',
  discipline: null,
  heightUnit: 'cm',
  massUnit: 'kg',
};
const GOOD = ['Alda', 'Quillbrook', '3/4/2011', 'softball', 'Left', '160', '50', 'Evening', 'Wim Quillbrook', '+00 1'];

describe('a roster', () => {
  it('finds its columns by their headings', () => {
    expect(guessColumns(HEADER)).toEqual({
      firstName: 0,
      lastName: 1,
      birthDate: 2,
      discipline: 3,
      throws: 4,
      height: 5,
      mass: 6,
      group: 7,
      guardianName: 8,
      guardianContact: 9,
    });
    expect(guessColumns(['Athlete', 'DOB', 'Hand'])).toEqual({ name: 0, birthDate: 1, throws: 2 });
  });

  it('reads a row whole', () => {
    expect(readRow(row(...GOOD), HEADER, choices, ON)).toEqual({
      line: 2,
      ok: true,
      entry: {
        name: 'Alda Quillbrook',
        birthDate: '2011-04-03',
        throws: 'L',
        discipline: 'windmill',
        heightM: 1.6,
        massKg: 50,
        level: 'high-school',
        group: 'Evening',
        guardian: { name: 'Wim Quillbrook', contact: '+00 1' },
      },
    });
  });

  it('names every wrong cell of a row, with its column and what stood there', () => {
    const read = readRow(row('', '', '31.2.2011', 'tennis', 'both', '16', 'light', '', '', ''), HEADER, choices, ON);
    expect(read.ok).toBe(false);
    if (read.ok) return;
    expect(read.faults.map((f) => f.field)).toEqual(['firstName', 'birthDate', 'throws', 'discipline', 'height', 'mass']);
    expect(read.faults[1]).toMatchObject({ column: 'Date of birth', written: '31.2.2011' });
  });

  it('leaves a date out that can be read both ways until somebody says which', () => {
    const read = readRow(row(...GOOD), HEADER, { ...choices, dayOrder: null }, ON);
    expect(!read.ok && read.faults[0]!.message).toContain('2011-04-03 or 2011-03-04');
  });

  it('reads semicolons, quotes and line ends inside quotes, and knows the line of each row', () => {
    const table = readTable('Name;Born\n"Quill; brook";2011-01-01\n"two\nlines";2011-01-02\n\nLast;2011-01-03\n');
    expect(table.delimiter).toBe(';');
    expect(table.rows.map((r) => [r.line, r.cells[0]])).toEqual([
      [2, 'Quill; brook'],
      [3, 'two\nlines'],
      [6, 'Last'],
    ]);
  });

  it('guesses units and the order of dates from the file', () => {
    const table = readTable('Name,Born,Height,Weight (lb)\nA,25/4/2011,64,120\nB,1/2/2011,66,130\n');
    expect(guessChoices(table)).toMatchObject({ dayOrder: 'day-first', heightUnit: 'in', massUnit: 'lb' });
  });

  it('never throws, whatever the cells hold', () => {
    fc.assert(
      fc.property(fc.array(fc.string(), { minLength: 10, maxLength: 10 }), (cells) => {
        const read = readRow({ line: 2, cells }, HEADER, choices, ON);
        expect(read.ok || read.faults.length > 0).toBe(true);
      }),
    );
  });

  it('gives the faulty rows back as a file that opens again, harmless in a spreadsheet', () => {
    const table = readTable('Name,Born\n=cmd(),never\n');
    const rows = table.rows.map((r) => readRow(r, table.header, { ...choices, columns: { name: 0, birthDate: 1 } }, ON));
    const back = Papa.parse<string[]>(faultsCsv(table, rows)).data;
    expect(back[0]).toEqual(['line', 'what is wrong', 'Name', 'Born']);
    expect(back[1]![0]).toBe('2');
    expect(back[1]![2]).toBe("'=cmd()");
  });

  it('knows one person by letters and birth date', () => {
    expect(personKey('Zoë  van-Quill', '2011-01-01')).toBe(personKey('zoe VAN QUILL', '2011-01-01'));
    expect(personKey('Zoe', '2011-01-01')).not.toBe(personKey('Zoe', '2011-01-02'));
  });
});
