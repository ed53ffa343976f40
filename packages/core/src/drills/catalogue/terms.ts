/** What the drills of the catalogue say again and again. */
export const both = ['overhand', 'windmill'] as const;
export const overhand = ['overhand'] as const;
export const windmill = ['windmill'] as const;
export const anywhere = ['home', 'cage', 'field', 'mound'] as const;
export const indoors = ['home', 'cage'] as const;
export const throwing = ['cage', 'field', 'mound'] as const;
export const light = { ball: true, throws: 'light' } as const;
export const full = { ball: true, throws: 'full' } as const;
export const SWING = 'Half speed; no swing with a sore arm.';
