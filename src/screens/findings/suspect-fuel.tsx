import { may } from '@/contracts/kernel/permissions';
import type { AircraftPage } from '@/queries/aircraft/aircraft-page';
import type { Folder } from '@/queries/aircraft/folder-view';
import { Section } from '../kit/section';
import { lazily } from '../kit/lazily';

const SignedWorkForm = lazily(
  () => import('../maintenance/signed-work-form').then((module) => module.SignedWorkForm),
  240,
);

/**
 * Fuel that is suspect or oil that is used up too fast, and the form for the mechanic who has dealt with it. Nothing where there is none.
 */
export function SuspectFuel({
  page,
  folder,
  roles,
}: {
  readonly page: AircraftPage;
  readonly folder: Folder;
  readonly roles: readonly string[];
}) {
  return (['fuel', 'oil'] as const).map((what) => (
    <Part
      key={what}
      what={what}
      shown={page.suspectFuel.filter((one) => one.what === what)}
      folder={folder}
      roles={roles}
    />
  ));
}

const WORDS = {
  fuel: {
    title: 'Suspect fuel',
    label: 'Suspect fuel was dealt with',
    after: 'After this every drain is sampled again before a flight.',
    others: 'A mechanic deals with it. Draining again does not cure it.',
  },
  oil: {
    title: 'Oil consumption',
    label: 'Oil consumption was looked at',
    after: 'What the engine uses is watched from here on: what was put in before no longer counts.',
    others: 'A mechanic looks at it before the next flight.',
  },
} as const;

function Part({
  what,
  shown: suspectFuel,
  folder,
  roles,
}: {
  readonly what: keyof typeof WORDS;
  readonly shown: AircraftPage['suspectFuel'];
  readonly folder: Folder;
  readonly roles: readonly string[];
}) {
  const words = WORDS[what];
  if (suspectFuel.length === 0) return null;
  return (
    <Section id={`suspect-${what}`} title={words.title}>
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
            label: words.label,
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
          <p>{words.after}</p>
        </SignedWorkForm>
      ) : (
        <p>{words.others}</p>
      )}
    </Section>
  );
}
