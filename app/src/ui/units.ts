import { UNITS } from '@wrightonic/core';
import type { Units } from '@wrightonic/core';
import { createContext, useContext } from 'react';

/** Set once above all screens, from the academy's settings. */
export const UnitsContext = createContext<Units>(UNITS.cm);
export const useUnits = (): Units => useContext(UnitsContext);
