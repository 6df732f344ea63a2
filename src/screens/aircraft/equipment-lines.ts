import type { EquipmentInput } from '@/contracts/aircraft/aircraft-entry';
import { EQUIPMENT_KINDS, type EquipmentKind } from '@/core/records/aircraft/equipment';
import type { EquipmentTemplate } from '@/queries/aircraft/facts';

/** A line as a form holds it; what is absent is not said. */
export type Line = Exclude<NonNullable<EquipmentInput[EquipmentKind]>, string>;
export type Lines = Partial<Record<EquipmentKind, Line>>;

/** The columns that ask whether a document of the aircraft wants an item. */
export const ASKED = ['equipmentList', 'kindsOfOperation'] as const;

/** The lines with one changed. Of what is not fitted nothing more is said, and of what nobody says whether it is fitted nothing at all. */
export function withLine(lines: Lines, kind: EquipmentKind, change: Partial<Line>): Lines {
  const line = { ...lines[kind], ...change };
  if (line.fitted === undefined)
    return Object.fromEntries(Object.entries(lines).filter(([key]) => key !== kind));
  return { ...lines, [kind]: line.fitted ? line : { fitted: false } };
}

/**
 * The lines with a template's where nothing is said yet: what somebody said stays. What documents ask for is
 * never taken over, since each aircraft has its own.
 */
export function begunFrom(lines: Lines, template: EquipmentTemplate): Lines {
  let begun = lines;
  for (const { kind, fitted, typeCertification } of template.lines) {
    if (fitted === null || lines[kind] !== undefined) continue;
    begun = withLine(begun, kind, {
      fitted,
      ...(typeCertification === null ? {} : { typeCertification }),
    });
  }
  return begun;
}

/** What is fitted here and not there, or the other way round, or belongs to the type differently. */
export function differences(lines: Lines, template: EquipmentTemplate): readonly EquipmentKind[] {
  const theirs = new Map(template.lines.map((line) => [line.kind, line]));
  return EQUIPMENT_KINDS.filter((kind) => {
    const [ours, other] = [lines[kind], theirs.get(kind)];
    if (ours?.fitted === undefined) return other?.fitted === true;
    if (other === undefined) return ours.fitted === true;
    return (
      ours.fitted !== other.fitted
      || (ours.fitted
        && other.typeCertification !== null
        && ours.typeCertification !== undefined
        && ours.typeCertification !== other.typeCertification)
    );
  });
}

/** The lines with 'no' wherever nobody said whether one of the aircraft's documents asks for an item that is fitted. */
export function restNotAsked(lines: Lines, column: (typeof ASKED)[number]): Lines {
  return Object.fromEntries(
    Object.entries(lines).map(([kind, line]) => [
      kind,
      line.fitted === true && line[column] === undefined ? { ...line, [column]: 'no' } : line,
    ]),
  );
}
