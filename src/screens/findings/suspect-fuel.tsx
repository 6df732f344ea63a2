import { may } from '@/contracts/kernel/permissions';
import type { AircraftPage } from '@/queries/aircraft/aircraft-page';
import type { Folder } from '@/queries/aircraft/folder-view';
import { Section } from '../kit/section';
import { SignedWorkForm } from '../maintenance/signed-work-form';

/** Fuel that is suspect, and the form for the mechanic who has dealt with it. Nothing where there is none. */
export function SuspectFuel({
  page,
  folder,
  roles,
}: {
  readonly page: AircraftPage;
  readonly folder: Folder;
  readonly roles: readonly string[];
}) {
  const { suspectFuel } = page;
  if (suspectFuel.length === 0) return null;
  return (
    <Section id="suspect-fuel" title="Suspect fuel">
      <ul>
        {suspectFuel.map(({ words }) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
      {may(roles, 'clear-fuel') ? (
        <SignedWorkForm
          folder={folder}
          work={{
            opens: 'Record what was done …',
            label: 'Suspect fuel was dealt with',
            describe: 'What was done, and what was found',
          }}
          send={(post, { id, ...fields }, place) =>
            post(
              'POST /api/fuel-clearances',
              {
                ...fields,
                clearanceId: id,
                aircraftId: folder.aircraftId,
                seenRevision: folder.revision,
                records: [...new Set(suspectFuel.flatMap(({ records }) => records))],
              },
              place,
            )
          }
        >
          <p>After this every drain is sampled again before a flight.</p>
        </SignedWorkForm>
      ) : (
        <p>A mechanic deals with it. Draining again does not cure it.</p>
      )}
    </Section>
  );
}
