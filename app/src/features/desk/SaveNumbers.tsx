import type { Me } from '@wrightonic/contract';
import { numbersFaults } from '@wrightonic/core';
import type { AcademyNumbers } from '@wrightonic/core';
import { problemOf, api } from '../../data/api';
import { Action, Caution } from '../../ui/controls';
import { settingsOf } from './SettingsScreen';

/** Saves an academy's own numbers, or says which of them cannot be taken. */
export function SaveNumbers({ me, numbers }: { readonly me: Me; readonly numbers: AcademyNumbers }) {
  const [save, { isLoading, error, isSuccess }] = api.useSettingsMutation();
  // The same rules as the server’s, said before anything is sent.
  const fault = numbersFaults(numbers)[0];
  return (
    <>
      {fault ? <Caution testID="numbers-fault">{`${fault.path}: ${fault.message}`}</Caution> : null}
      {error && !fault ? <Caution>{problemOf(error).detail}</Caution> : null}
      <Action
        label={isSuccess ? 'Saved. Save again' : 'Save the numbers'}
        onPress={() => void save({ body: { ...settingsOf(me), numbers } })}
        busy={isLoading}
        disabled={fault !== undefined}
        testID="save-numbers"
      />
    </>
  );
}
