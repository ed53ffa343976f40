import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api';
import { deviceReducer } from './device';
import { operationsReducer } from './operations';
import { shellReducer } from './shell';

export const makeStore = () =>
  configureStore({
    reducer: { operations: operationsReducer, shell: shellReducer, device: deviceReducer, [api.reducerPath]: api.reducer },
    middleware: (defaults) => defaults({ immutableCheck: false, serializableCheck: false }).concat(api.middleware),
  });

export type AppStore = ReturnType<typeof makeStore>;
export type RootState = ReturnType<AppStore['getState']>;
export const useAppDispatch = useDispatch.withTypes<AppStore['dispatch']>();
export const useAppSelector = useSelector.withTypes<RootState>();
