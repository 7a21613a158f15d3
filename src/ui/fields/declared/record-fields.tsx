'use client';

import { sectionMm } from '@/core/columns/section-shape';
import type { Section } from '@/core/columns/column';
import { mmOf } from '@/core/dimensions/resolve-length';
import { lengthAsTyped } from '@/core/dimensions/uses';
import type { Extent } from '@/core/levels/extent';
import type { End, Place } from '@/core/model/fields';
import type { Id } from '@/core/model/ids';
import type { Outline } from '@/core/outlines/outline';
import type { Length } from '@/core/units/parse-length';
import { EndFields } from '../../details/end-fields';
import { useSlice } from '../../session/store';
import { ActionButton, AngleField, CheckField, ChoiceField, TextField } from '../fields';
import { LengthField } from '../length-field';
import { SectionField } from '../section-field';
import { CornerFields } from './corner-fields';
import { ExtentFields } from './extent-fields';
import type { AnySpec, FieldsOf, Spec } from './field-spec';
import { OutlineFields } from './outline-fields';
import { PlaceField } from './place-field';

interface RecordFieldsProps<R, Change> {
  record: R;
  fields: FieldsOf<R, Change>;
  /** The building whose levels, lines and places are meant. */
  building: Id;
  /** Changes a part of it; answers why not, or null. */
  give: (part: Change) => string | null;
  /** Only these of them, where others stand elsewhere. */
  only?: readonly (keyof R)[];
}

/** The fields that are declared for a record, in their order. */
export function RecordFields<R extends object, Change>({
  record,
  fields,
  building,
  give,
  only,
}: RecordFieldsProps<R, Change>) {
  return (
    <>
      {Object.entries<AnySpec<R> | { none: string }>(fields as Record<string, AnySpec<R> | { none: string }>).map(
        ([name, spec]) => {
          if ('none' in spec || (only && !only.includes(name as keyof R))) return null;
          if (spec.is === 'own') return <spec.Part key={name} record={record} />;
          if (spec.when && !spec.when(record)) return null;
          const stored = (record as Record<string, unknown>)[name];
          const put = (value: unknown) => give({ [name]: value } as Change);
          return <DeclaredField key={name} {...{ record, spec, stored, building, put }} />;
        },
      )}
    </>
  );
}

interface DeclaredFieldProps<R> {
  record: R;
  spec: Spec<R, never, unknown>;
  stored: unknown;
  building: Id;
  put: (value: unknown) => string | null;
}

function DeclaredField<R>({ record, spec, stored, building, put }: DeclaredFieldProps<R>) {
  const { framework, solved, mayEdit, say } = useSlice('framework', 'solved', 'mayEdit', 'say');
  const label = typeof spec.label === 'string' ? spec.label : spec.label(record);
  const disabled = !mayEdit || (spec.fixed?.(record) ?? false);
  const attempt = (value: unknown) => {
    const refusal = put(value);
    if (refusal) say(refusal);
  };
  switch (spec.is) {
    case 'text':
      return <TextField label={label} value={stored as string} disabled={disabled} onCommit={put} />;
    case 'angle':
      return <AngleField label={label} valueDeg={stored as number} disabled={disabled} onCommit={put} />;
    case 'check':
      return <CheckField label={label} value={stored as boolean} disabled={disabled} onChange={attempt} />;
    case 'section':
      return (
        <SectionField
          label={label}
          section={sectionMm(framework, stored as Section)}
          disabled={disabled}
          onCommit={put}
        />
      );
    case 'end':
      return (
        <EndFields
          label={label as 'Starts at'}
          end={stored as End}
          mayBeCeiling={spec.mayBeCeiling ?? false}
          mayBeRoof={spec.mayBeRoof ?? spec.mayBeCeiling ?? false}
          levelOnly={spec.levelOnly ?? false}
          mayBeOther={spec.mayBeOther ?? false}
          onChange={put}
        />
      );
    case 'place':
      return <PlaceField label={label} place={stored as Place} disabled={disabled} {...{ building, put }} />;
    case 'corners':
      return <CornerFields label={label} corners={stored as never} least={2} disabled={disabled} put={put} />;
    case 'extent':
      return <ExtentFields levels={stored as Extent} building={building} onChange={put} />;
    case 'outline':
      return stored === null ? null : (
        <OutlineFields label={label} outline={stored as Outline} sizes={spec.sizes} {...{ building, disabled, put }} />
      );
    case 'length': {
      const length = stored as Length | null;
      if (length === null && spec.fromNull) {
        const [words, mm] = spec.fromNull;
        return disabled ? null : (
          <span className="self-end">
            <ActionButton onClick={() => attempt(mm)}>{words}</ActionButton>
          </span>
        );
      }
      const named = length === null ? null : lengthAsTyped(framework, length);
      return (
        <>
          <LengthField
            label={label}
            valueMm={length === null ? (spec.ifNull?.(record, { framework, solved }) ?? 0) : mmOf(framework, length)}
            disabled={disabled}
            onCommit={put}
          />
          {named !== null && <p className="pr-6 text-right text-[11px] text-ink3">= {named}</p>}
          {length !== null && spec.toNull && !disabled && (
            <span className="self-end">
              <ActionButton onClick={() => attempt(null)}>{spec.toNull}</ActionButton>
            </span>
          )}
        </>
      );
    }
    case 'choice': {
      const choices = typeof spec.choices === 'function' ? spec.choices(record, { framework, solved }) : spec.choices;
      return (
        <ChoiceField
          label={label}
          value={stored === null ? '' : String(stored)}
          choices={spec.orNone === undefined ? choices : [['', spec.orNone], ...choices]}
          disabled={disabled}
          onChoose={(value) => attempt(value === '' ? null : spec.asNumber ? Number(value) : value)}
        />
      );
    }
  }
}
