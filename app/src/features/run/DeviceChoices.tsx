import { deviceSet } from '../../data/device';
import { useAppDispatch, useAppSelector } from '../../data/store';
import { Choice } from '../../ui/controls';
import { Row } from '../../ui/layout';

/** How this device is held and looked at. */
export function DeviceChoices() {
  const dispatch = useAppDispatch();
  const device = useAppSelector((s) => s.device);
  return (
    <Row>
      <Choice label="Sun" chosen={device.sun} onPress={() => dispatch(deviceSet({ sun: !device.sun }))} testID="device-sun" />
      <Choice
        label="Large text"
        chosen={device.large}
        onPress={() => dispatch(deviceSet({ large: !device.large }))}
        testID="device-large"
      />
      <Choice
        label="Left thumb"
        chosen={device.hand === 'left'}
        onPress={() => dispatch(deviceSet({ hand: device.hand === 'left' ? 'right' : 'left' }))}
        testID="device-hand"
      />
      <Choice
        label="Tick and buzz"
        chosen={device.tick}
        onPress={() => dispatch(deviceSet({ tick: !device.tick }))}
        testID="device-tick"
      />
    </Row>
  );
}
