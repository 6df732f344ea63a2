'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import type { ClubEntryInput } from '@/contracts/club/founding';
import { clubPolicy, policyFrom, type ClubPolicyParameters } from '@/core/rules/packs/club-policy';
import type { ParameterSpec } from '@/core/rules/packs/pack';
import { usPart91 } from '@/core/rules/packs/us-part91';
import { policyEffect } from '@/explain/policy';
import { sentenceCase } from '@/explain/wording';
import { useClub } from '../data/queries';
import { lazily } from '../kit/lazily';
import { More } from '../kit/more';
import { Section } from '../kit/section';
import { Coming } from '../shell/coming';

const ChangeClub = lazily(() => import('./change-club').then((module) => module.ChangeClub), 480);

/** A choice of the club: its name, what was chosen, and what that does. */
interface Choice {
  readonly title: string;
  readonly value: string;
  readonly does: string;
}

const side = (value: number, positive: string, negative: string): string =>
  `${Math.abs(value)}° ${value < 0 ? negative : positive}`;
const valueText = (spec: ParameterSpec, value: unknown): string =>
  spec.kind === 'word' ? sentenceCase(String(value).replaceAll('-', ' ')) : `${String(value)} ${spec.unit}`;

function fieldOf(club: ClubEntryInput): readonly Choice[] {
  return [
    {
      title: 'Field',
      value: `${club.field}, ${side(club.latitude, 'north', 'south')}, ${side(club.longitude, 'east', 'west')}`,
      does: 'Day, dusk and night are those of its sun.',
    },
    { title: 'Time zone', value: club.zone, does: 'Days begin and end at its midnight.' },
  ];
}

function authorityOf({ authority }: ClubEntryInput, rules: string): readonly Choice[] {
  if (authority.id !== 'us-part91')
    return [{ title: 'Authority', value: rules, does: 'Whose rules are asked.' }];
  const { trainingUnder, lessons } = usPart91.parameters;
  return [
    { title: 'Authority', value: rules, does: 'Whose rules are asked.' },
    {
      title: trainingUnder.title,
      value: valueText(trainingUnder, authority.parameters.trainingUnder),
      does: trainingUnder.about,
    },
    { title: lessons.title, value: valueText(lessons, authority.parameters.lessons), does: lessons.about },
  ];
}

const policyOf = (policy: ClubPolicyParameters): readonly Choice[] =>
  (Object.keys(clubPolicy.parameters) as (keyof ClubPolicyParameters)[]).map((name) => {
    const effect = policyEffect(policy, name);
    return {
      title: clubPolicy.parameters[name].title,
      value: valueText(clubPolicy.parameters[name], policy[name]),
      does: effect === null ? 'As the regulation: closes nothing more.' : `Closes ${effect}.`,
    };
  });

function Choices({ label, choices }: { readonly label: string; readonly choices: readonly Choice[] }) {
  return (
    <Table size="small" aria-label={label} sx={{ bgcolor: 'var(--card)' }}>
      <TableHead>
        <TableRow>
          <TableCell sx={{ width: '34%' }}>{label}</TableCell>
          <TableCell sx={{ width: '24%' }}>Chosen</TableCell>
          <TableCell>What it does</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {choices.map(({ title, value, does }) => (
          <TableRow key={title}>
            <TableCell component="th" scope="row">
              {title}
            </TableCell>
            <TableCell>
              <b>{value}</b>
            </TableCell>
            <TableCell>{does}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

/** What the club says of its field and rules and what each choice does, the changes that led to it, and a form for its administrator. */
export function ClubPart({ rules, mayChange }: { readonly rules: string; readonly mayChange: boolean }) {
  const { data: page, error, refetch } = useClub();
  const [changing, setChanging] = useState(false);
  if (page === undefined) return <Coming query={{ error, refetch }} what="the field and rules" />;
  const { club } = page;
  const read = club.policy === null ? null : policyFrom(club.policy);
  const policy = read === null || 'fault' in read ? null : read;
  return (
    <>
      <Section
        id="field"
        title="Field and rules"
        act={
          mayChange && !changing ? (
            <Button
              variant="outlined"
              size="small"
              onClick={() => {
                setChanging(true);
              }}
            >
              Change field or rules …
            </Button>
          ) : null
        }
      >
        {changing ? (
          <ChangeClub
            page={page}
            onDone={() => {
              setChanging(false);
            }}
          />
        ) : null}
        <Box sx={{ display: 'grid', gap: 2.5 }}>
          <Choices label="Where" choices={fieldOf(club)} />
          <Choices label="Rules of the authority" choices={authorityOf(club, rules)} />
          {policy === null ? (
            <p>The club has no rules of its own.</p>
          ) : (
            <Choices label="The club’s own rules, on top" choices={policyOf(policy)} />
          )}
        </Box>
        {page.ownRules > 0 ? (
          <p className="small">
            Beside these the club has {page.ownRules} {page.ownRules === 1 ? 'rule' : 'rules'} that it wrote
            itself.
          </p>
        ) : null}
        {mayChange ? null : <p className="small">The administrator changes these.</p>}
      </Section>
      {page.story.length === 0 ? null : (
        <More summary={`Changes (${page.story.length})`} open sx={{ mt: 2 }}>
          <Box component="ul" className="small" sx={{ m: 0, pl: 2.25 }}>
            {page.story.map(({ number, words }) => (
              <li key={number}>{words}</li>
            ))}
          </Box>
        </More>
      )}
    </>
  );
}
