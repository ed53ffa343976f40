import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, Caution } from '../../../ui/controls';
import { Row } from '../../../ui/layout';
import { RADIUS, SPACE, usePalette } from '../../../ui/theme';

const WANTED: MediaStreamConstraints = {
  audio: false,
  video: { facingMode: 'environment', width: { ideal: 1280 }, height: { ideal: 720 }, frameRate: { ideal: 240 } },
};
const TYPES = ['video/mp4;codecs=avc1', 'video/webm;codecs=vp9', 'video/webm'];

/** Films a throw with the camera of this device. */
export function RecordClip({ onClip }: { readonly onClip: (file: File | null) => void }) {
  const palette = usePalette();
  const video = useRef<HTMLVideoElement>(null);
  const stream = useRef<MediaStream | null>(null);
  const recorder = useRef<MediaRecorder | null>(null);
  const [rate, setRate] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [running, setRunning] = useState(false);
  useEffect(() => {
    let here = true;
    // A page that is not served safely has no camera at all.
    const devices = navigator.mediaDevices as MediaDevices | undefined;
    const asked = devices ? devices.getUserMedia(WANTED) : Promise.reject(new Error('no camera'));
    asked.then(
      (opened) => {
        if (!here) return opened.getTracks().forEach((t) => t.stop());
        stream.current = opened;
        setRate(opened.getVideoTracks()[0]?.getSettings().frameRate ?? null);
        if (video.current) video.current.srcObject = opened;
      },
      () =>
        here &&
        setProblem(
          'There is no camera that may be used here. Film with the phone’s own camera app, in slow motion, and bring the clip in.',
        ),
    );
    return () => {
      here = false;
      stream.current?.getTracks().forEach((t) => t.stop());
    };
  }, []);
  const start = () => {
    if (!stream.current) return;
    const type = TYPES.find((t) => MediaRecorder.isTypeSupported(t));
    const parts: Blob[] = [];
    const made = new MediaRecorder(stream.current, { mimeType: type, videoBitsPerSecond: 8_000_000 });
    made.ondataavailable = (event) => parts.push(event.data);
    made.onstop = () => {
      const mp4 = made.mimeType.includes('mp4');
      onClip(new File(parts, `throw.${mp4 ? 'mp4' : 'webm'}`, { type: mp4 ? 'video/mp4' : 'video/webm' }));
    };
    recorder.current = made;
    made.start();
    setRunning(true);
  };
  return (
    <View style={{ gap: SPACE.m }}>
      {problem ? <Caution testID="no-camera">{problem}</Caution> : null}
      <video
        ref={video}
        autoPlay
        muted
        playsInline
        aria-label="What the camera sees"
        style={{ width: '100%', maxHeight: 420, borderRadius: RADIUS, background: '#101312' }}
      />
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {rate
          ? `This camera gives ${Math.round(rate)} frames a second here. For arm and timing the phone’s own slow motion is better; its clips can be brought in.`
          : 'The camera level, at hip height, the athlete at least half the frame high.'}
      </Text>
      <Row>
        {running ? (
          <Action label="Stop" onPress={() => recorder.current?.stop()} testID="record-stop" />
        ) : (
          <Action label="Film" disabled={problem !== null || rate === null} onPress={start} testID="record-start" />
        )}
        <Action kind="plain" label="Leave it" onPress={() => onClip(null)} />
      </Row>
    </View>
  );
}
