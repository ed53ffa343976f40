import { LINKS } from '../delivery/links';
import { chainOf, linkOf } from './chain';
import type { ChainFocus } from './chain';
import { FINDINGS } from './catalogue';

const looked = (...ids: string[]) => new Set(ids) as never;
const state = (link: (typeof LINKS)[number], chain: readonly string[]) => chain[LINKS.indexOf(link)];

describe('the chain', () => {
  it('tells unseen from clear from open', () => {
    const chain = chainOf('overhand', looked('stall', 'late-hips'), { stall: 0.1, 'late-hips': 0.8, 'fly-open': 0.9 }, {}, []);
    expect(chain).toHaveLength(6);
    expect(state('set', chain)).toBe('unseen');
    expect(state('move', chain)).toBe('clear');
    // An open chest that is likely only by inference opens no link by itself; the late hips do.
    expect(state('land', chain)).toBe('open');
    expect(state('turn', chain)).toBe('unseen');
  });

  it('shows the newest focus of a link before anything else', () => {
    const foci: ChainFocus[] = [
      { finding: 'stall', state: 'working' },
      { finding: 'swing-open', state: 'left-alone' },
    ];
    expect(state('move', chainOf('overhand', looked('stall'), { stall: 0.9 }, {}, foci))).toBe('working');
  });

  it('says when an owned link has slipped back', () => {
    const owned: ChainFocus[] = [{ finding: 'stall', state: 'owned' }];
    expect(state('move', chainOf('overhand', looked('stall'), { stall: 0.2 }, {}, owned))).toBe('owned');
    expect(state('move', chainOf('overhand', looked('stall'), { stall: 0.8 }, {}, owned))).toBe('relapsed');
  });

  it('puts limits and cues where they first act', () => {
    expect(linkOf('drive-hip-ir')).toBe('move');
    expect(linkOf('balance-overtaught')).toBe('lift');
    for (const finding of FINDINGS) expect(LINKS).toContain(linkOf(finding.id));
  });

  it('is open too when what was seen has raised something clearly, though it is not likely yet', () => {
    const move = (now: number, before: number) =>
      state('move', chainOf('overhand', looked('stall'), { stall: now }, { stall: before }, []));
    expect(move(0.28, 0.06)).toBe('open');
    expect(move(0.15, 0.025)).toBe('open');
    expect(move(0.28, 0.2)).toBe('clear');
    expect(move(0.08, 0.01)).toBe('clear');
  });
});
