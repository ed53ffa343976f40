// The pose model as the tracker loads it: weights from their package, wrapped with the metadata that the tracker asks for.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { zipSync } from 'fflate';
import { Builder } from 'flatbuffers';
import { inRoot } from './paths.mjs';

const DETECTOR = ['node_modules', '@mediapipe', 'pose', 'pose_solution_packed_assets.data'];
const LANDMARKS = ['node_modules', '@mediapipe', 'pose', 'pose_landmark_full.tflite'];

/** How the pixels of the model's input are scaled, as a metadata table (its schema is that of the model format). */
function metadata(mean, std) {
  const b = new Builder(512);
  const floats = (value) => {
    b.startVector(4, 3, 4);
    for (let n = 0; n < 3; n++) b.addFloat32(value);
    return b.endVector();
  };
  const offsets = (list) => {
    b.startVector(4, list.length, 4);
    for (const offset of [...list].reverse()) b.addOffset(offset);
    return b.endVector();
  };
  const table = (fields, write) => {
    b.startObject(fields);
    write();
    return b.endObject();
  };
  const [means, stds] = [floats(mean), floats(std)];
  const normalization = table(2, () => {
    b.addFieldOffset(0, means, 0);
    b.addFieldOffset(1, stds, 0);
  });
  const unit = table(2, () => {
    b.addFieldInt8(0, 1, 0); // of the kinds of steps: normalization
    b.addFieldOffset(1, normalization, 0);
  });
  const rgb = table(2, () => b.addFieldInt8(0, 1, 0));
  const content = table(3, () => {
    b.addFieldInt8(0, 2, 0); // of the kinds of content: an image
    b.addFieldOffset(1, rgb, 0);
  });
  const units = offsets([unit]);
  const input = table(7, () => {
    b.addFieldOffset(3, content, 0);
    b.addFieldOffset(4, units, 0);
  });
  const inputs = offsets([input]);
  const graph = table(6, () => b.addFieldOffset(2, inputs, 0));
  const graphs = offsets([graph]);
  const model = table(8, () => b.addFieldOffset(3, graphs, 0));
  b.finish(model, 'M001');
  return Buffer.from(b.asUint8Array());
}

/** Place of a table's field, or 0. All places are absolute. */
function field(bytes, table, index) {
  const vtable = table - bytes.readInt32LE(table);
  const slot = 4 + 2 * index;
  const offset = slot < bytes.readUInt16LE(vtable) ? bytes.readUInt16LE(vtable + slot) : 0;
  return offset === 0 ? 0 : table + offset;
}
const follow = (bytes, place) => place + bytes.readUInt32LE(place);

const FIELD_BUFFERS = 4;
const FIELD_METADATA = 6;

/**
 * A model with metadata. The model has one entry of metadata already, of a runtime version that nobody asks for: its name and its
 * content are led to what is appended at the end. Offsets lead forward, so appending is all it takes.
 */
function withMetadata(model, content) {
  const aligned = (size, to) => Math.ceil(size / to) * to;
  const name = Buffer.from('TFLITE_METADATA\0');
  const nameAt = aligned(model.length, 4);
  // A vector's bytes are aligned; its length stands before them.
  const contentAt = aligned(nameAt + 4 + name.length + 4, 16) - 4;
  const bytes = Buffer.alloc(contentAt + 4 + content.length);
  model.copy(bytes);
  bytes.writeUInt32LE(name.length - 1, nameAt);
  name.copy(bytes, nameAt + 4);
  bytes.writeUInt32LE(content.length, contentAt);
  content.copy(bytes, contentAt + 4);
  const root = bytes.readUInt32LE(0);
  const entries = follow(bytes, field(bytes, root, FIELD_METADATA));
  if (bytes.readUInt32LE(entries) < 1) throw new Error('The pose model has no entry of metadata to use.');
  const entry = follow(bytes, entries + 4);
  const nameField = field(bytes, entry, 0);
  const index = bytes.readUInt32LE(field(bytes, entry, 1));
  const buffers = follow(bytes, field(bytes, root, FIELD_BUFFERS));
  const buffer = follow(bytes, buffers + 4 + 4 * index);
  const dataField = field(bytes, buffer, 0);
  bytes.writeUInt32LE(nameAt - nameField, nameField);
  bytes.writeUInt32LE(contentAt - dataField, dataField);
  return bytes;
}

/** Writes the tracker's model: a person detector and the landmarks of a body. */
export function buildPoseModel(to) {
  const detector = withMetadata(readFileSync(inRoot(...DETECTOR)), metadata(127.5, 127.5));
  const landmarks = withMetadata(readFileSync(inRoot(...LANDMARKS)), metadata(0, 255));
  mkdirSync(dirname(to), { recursive: true });
  // Stored, not packed: the tracker reads the models where they lie.
  writeFileSync(to, zipSync({ 'pose_detector.tflite': detector, 'pose_landmarks_detector.tflite': landmarks }, { level: 0 }));
}
