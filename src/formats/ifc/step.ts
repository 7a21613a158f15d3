import type { Measure } from '@/core/kinds/ifc';
import { ENTITIES, type AttributeKind, type EntityName } from './entities';

/** A line of the file another line refers to. */
export type Ref = { readonly line: number };

type Value = string | number | boolean | Ref | readonly Ref[] | readonly number[] | Measure | null | undefined;
type Attributes<E extends EntityName> = { [A in keyof (typeof ENTITIES)[E]]?: Value };

/** Collects the lines of a STEP physical file (ISO 10303-21) with every attribute checked against the entity table. */
export class StepLines {
  private readonly lines: string[] = [];
  private readonly shared = new Map<string, Ref>();

  /** Adds an entity. An attribute that does not fit the table is a fault of this program and throws. */
  add<E extends EntityName>(entity: E, attributes: Attributes<E>): Ref {
    const text = this.text(entity, attributes);
    this.lines.push(`#${this.lines.length + 1}=${text};`);
    return { line: this.lines.length };
  }

  /** Adds an entity without identity of its own, once for equal contents: points, directions, placements. */
  share<E extends EntityName>(entity: E, attributes: Attributes<E>): Ref {
    const text = this.text(entity, attributes);
    let ref = this.shared.get(text);
    if (!ref) {
      this.lines.push(`#${this.lines.length + 1}=${text};`);
      ref = { line: this.lines.length };
      this.shared.set(text, ref);
    }
    return ref;
  }

  /** The whole file. `at` is the moment it says it was made. */
  file(name: string, at: Date): string {
    const header = [
      'ISO-10303-21;',
      'HEADER;',
      "FILE_DESCRIPTION(('ViewDefinition [ReferenceView_V1.2]'),'2;1');",
      `FILE_NAME(${stepText(name)},'${at.toISOString().slice(0, 19)}',(''),(''),'Zenith Spine','Zenith Spine','');`,
      "FILE_SCHEMA(('IFC4'));",
      'ENDSEC;',
      'DATA;',
    ];
    return `${[...header, ...this.lines, 'ENDSEC;', 'END-ISO-10303-21;'].join('\n')}\n`;
  }

  private text<E extends EntityName>(entity: E, attributes: Attributes<E>): string {
    const given = attributes as Record<string, Value>;
    const kinds = Object.entries(ENTITIES[entity]) as [string, AttributeKind][];
    const values = kinds.map(([name, kind]) => this.value(kind, given[name], `${entity}.${name}`));
    return `${entity}(${values.join(',')})`;
  }

  private value(kind: AttributeKind, value: Value, where: string): string {
    if (kind === 'derived') return '*';
    if (kind === 'none') return '$';
    if (value === null || value === undefined) {
      if (kind.endsWith('?') || kind.startsWith('enum?')) return '$';
      throw new Error(`${where} is required`);
    }
    if (kind.startsWith('enum')) {
      const choices = kind.slice(kind.indexOf(':') + 1).split('|');
      if (!choices.includes(value as string)) throw new Error(`${where} cannot be ${String(value)}`);
      return `.${String(value)}.`;
    }
    if (kind === 'guid') {
      if (!/^[0-3][\w$]{21}$/.test(value as string)) throw new Error(`${where} is no GlobalId`);
      return `'${value as string}'`;
    }
    if (kind === 'bool') return value ? '.T.' : '.F.';
    if (kind.startsWith('text')) return stepText(value as string);
    if (kind === 'real' || kind === 'real?') return stepReal(value as number);
    if (kind === 'int?') {
      if (!Number.isInteger(value)) throw new Error(`${where} is no whole number`);
      return String(value);
    }
    if (kind === 'ref' || kind === 'ref?') return this.ref(value as Ref, where);
    if (kind === 'reals') return `(${(value as number[]).map(stepReal).join(',')})`;
    if (kind === 'measure') return stepMeasure(value as Measure | number);
    const refs = value as readonly Ref[];
    if (refs.length === 0) throw new Error(`${where} is an empty list`);
    return `(${refs.map((ref) => this.ref(ref, where)).join(',')})`;
  }

  private ref(ref: Ref, where: string): string {
    if (!(ref.line >= 1 && ref.line <= this.lines.length)) throw new Error(`${where} refers to nothing`);
    return `#${ref.line}`;
  }
}

/** A real as Part 21 wants it: always with a point, `1.E-05` and not `1e-5`. */
export function stepReal(value: number): string {
  if (!Number.isFinite(value)) throw new Error('A number of the file is not finite');
  const text = String(Object.is(value, -0) ? 0 : value).toUpperCase();
  const [mantissa, exponent] = text.split('E');
  const pointed = mantissa!.includes('.') ? mantissa! : `${mantissa}.`;
  return exponent === undefined ? pointed : `${pointed}E${exponent.replace('+', '')}`;
}

/** A text in Part 21 quotes: everything outside plain ASCII as \X2\ or, beyond the basic plane, \X4\. */
export function stepText(value: string): string {
  let out = '';
  for (const sign of value) {
    const code = sign.codePointAt(0)!;
    if (sign === "'") out += "''";
    else if (sign === '\\') out += '\\\\';
    else if (code >= 32 && code < 127) out += sign;
    else if (code > 0xffff) out += `\\X4\\${code.toString(16).toUpperCase().padStart(8, '0')}\\X0\\`;
    else out += `\\X2\\${code.toString(16).toUpperCase().padStart(4, '0')}\\X0\\`;
  }
  return `'${out}'`;
}

function stepMeasure(value: Measure | number): string {
  if (typeof value === 'number') return String(value);
  const inner =
    typeof value.value === 'boolean'
      ? value.value
        ? '.T.'
        : '.F.'
      : typeof value.value === 'number'
        ? stepReal(value.value)
        : stepText(value.value);
  return `${value.measure}(${inner})`;
}
