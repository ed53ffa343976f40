import type { FilmSetup } from '@wrightonic/contract';

export const VIEW_WORDS: Readonly<Record<FilmSetup['view'], { readonly name: string; readonly tells: string }>> = {
  'side-open': { name: 'Open side', tells: 'The chest turns to the camera. Stride, knees, trunk, timing.' },
  'side-closed': { name: 'Closed side', tells: 'The back is to the camera. Stride, knees, trunk, timing.' },
  front: { name: 'Front', tells: 'From the plate. Direction, knee in or out, elbow at release.' },
  rear: { name: 'Rear', tells: 'From behind. Direction, hand height, knee in or out.' },
  top: { name: 'Above', tells: 'From a roof or a tall stand. Hips and trunk turning.' },
};
