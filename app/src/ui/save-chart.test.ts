import { fileNameOf } from './save-chart';

it('calls a picture after its sentence', () => {
  expect(fileNameOf('Up 1.2 ± 1.2 mph in 5 weeks; about 0.1 expected from growth')).toBe(
    'up-1-2-1-2-mph-in-5-weeks-about-0-1-expected-from-growth',
  );
  expect(fileNameOf('…')).toBe('');
  expect(fileNameOf('Schrittlänge: 60 %')).toBe('schrittlänge-60');
});
