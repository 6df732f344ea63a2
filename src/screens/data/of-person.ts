/**
 * What a phone says with something that was written earlier: by whom, and in which club. It is sent under the writer's name or
 * not at all, also where somebody else is signed in by then.
 * @param clubId null where its writer belonged to one
 */
export function ofPerson({
  personId,
  clubId,
}: {
  readonly personId: string;
  readonly clubId: string | null;
}): Readonly<Record<string, string>> {
  return { 'x-groval-person': personId, ...(clubId === null ? {} : { 'x-groval-club': clubId }) };
}
