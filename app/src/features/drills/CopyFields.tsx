import { DIRECT_WEIGHT, EQUIPMENT, FINDINGS, isRungFor, kitName, OWN_RUNGS, PLACES, RUNG_NAMES } from '@wrightonic/core';
import type { Drill, FindingId } from '@wrightonic/core';
import { useState } from 'react';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Searchbar, Text } from 'react-native-paper';
import { Action, Choice } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { numberName, toggled } from './own-draft';
import type { NumberField, OwnDraft } from './own-draft';
import { useVocabulary } from '../../ui/vocabulary';
import { Field } from '../../ui/Field';

/** Weight on a finding that the drill is for, and on one that it helps along. */
const MAINLY = 0.8;
const ALSO = 0.4;
const FOUND_SHOWN = 5;

interface Props {
  readonly draft: OwnDraft;
  readonly base: Drill;
  readonly onChange: (draft: OwnDraft) => void;
}

function Part({ name, children }: { readonly name: string; readonly children: ReactNode }) {
  const palette = usePalette();
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {name}
      </Text>
      {children}
    </View>
  );
}

/** What a copy of a drill may change beside its words. */
export function CopyFields({ draft, base, onChange }: Props) {
  const { chosen, numbers } = draft;
  const choose = (more: Partial<OwnDraft['chosen']>) => onChange({ ...draft, chosen: { ...chosen, ...more } });
  const throwing = base.throws !== 'none';
  const fields: readonly NumberField[] = [
    'sets',
    'reps',
    ...(base.dose.holdS === undefined ? [] : (['holdS'] as const)),
    ...(throwing ? (['low', 'high'] as const) : []),
    'minAge',
  ];
  return (
    <View style={{ gap: SPACE.m }}>
      {base.part === null ? (
        <>
          <Treated draft={draft} base={base} onChange={onChange} />
          <Part name="Rungs">
            <Row>
              {OWN_RUNGS.filter((rung) => isRungFor(base, rung)).map((rung) => (
                <Choice
                  key={rung}
                  label={`${rung} ${RUNG_NAMES[rung]}`}
                  chosen={chosen.rungs.includes(rung)}
                  onPress={() => choose({ rungs: [...toggled(chosen.rungs, rung)].sort((a, b) => a - b) })}
                />
              ))}
            </Row>
          </Part>
        </>
      ) : null}
      <Part name="Places">
        <Row>
          {PLACES.map((place) => (
            <Choice
              key={place}
              label={place}
              chosen={chosen.place.includes(place)}
              onPress={() => choose({ place: PLACES.filter((p) => toggled(chosen.place, place).includes(p)) })}
            />
          ))}
        </Row>
      </Part>
      <Part name="Kit">
        <Row>
          {EQUIPMENT.filter((kit) => kit !== 'weighted-ball' || chosen.equipment.includes(kit)).map((kit) => (
            <Choice
              key={kit}
              label={kitName(kit)}
              chosen={chosen.equipment.includes(kit)}
              onPress={() => choose({ equipment: toggled(chosen.equipment, kit) })}
            />
          ))}
          <Choice label="a partner" chosen={chosen.partner} onPress={() => choose({ partner: !chosen.partner })} />
        </Row>
      </Part>
      <Part name="Dose">
        <Row>
          {fields.map((field) => (
            <Field
              key={field}
              label={numberName(field)}
              dense
              inputMode="numeric"
              value={numbers[field]}
              onChangeText={(text) => onChange({ ...draft, numbers: { ...numbers, [field]: text } })}
              style={{ width: 116 }}
              testID={`own-${field}`}
            />
          ))}
        </Row>
      </Part>
    </View>
  );
}

/** What it treats: mainly, along with it, or not. */
function Treated({ draft, base, onChange }: Props) {
  const say = useVocabulary();
  const [search, setSearch] = useState('');
  const { treats } = draft.chosen;
  const set = (finding: FindingId, weight: number | null) => {
    const others = treats.filter((t) => t.finding !== finding);
    onChange({ ...draft, chosen: { ...draft.chosen, treats: weight === null ? others : [...others, { finding, weight }] } });
  };
  const words = search.trim().toLowerCase();
  const found =
    words.length < 2
      ? []
      : FINDINGS.filter(
          (f) =>
            f.disciplines.some((d) => base.disciplines.includes(d)) &&
            !treats.some((t) => t.finding === f.id) &&
            (f.title.toLowerCase().includes(words) || f.id.includes(words)),
        ).slice(0, FOUND_SHOWN);
  return (
    <Part name="What it treats">
      {treats.map(({ finding, weight }) => (
        <View key={finding} style={{ gap: 2 }}>
          <Text variant="bodyMedium">{say.title(finding)}</Text>
          <Row>
            <Choice label="mainly" chosen={weight >= DIRECT_WEIGHT} onPress={() => set(finding, MAINLY)} />
            <Choice label="helps along" chosen={weight < DIRECT_WEIGHT} onPress={() => set(finding, ALSO)} />
            <Choice label="not" chosen={false} onPress={() => set(finding, null)} />
          </Row>
        </View>
      ))}
      <Searchbar
        placeholder="One more finding"
        value={search}
        onChangeText={setSearch}
        aria-label="Find a finding that it treats"
        elevation={0}
      />
      {found.map((f) => (
        <Action
          key={f.id}
          kind="quiet"
          label={f.title}
          onPress={() => {
            setSearch('');
            set(f.id, MAINLY);
          }}
        />
      ))}
    </Part>
  );
}
