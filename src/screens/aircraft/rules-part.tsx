'use client';

import type { AircraftPage } from '@/queries/aircraft/aircraft-page';
import { ListLine, PlainList } from '../kit/layout';
import { More } from '../kit/more';
import { Section } from '../kit/section';

const ANSWERS = {
  met: 'met',
  closes: 'closes uses',
  unknown: 'not known, so closed',
  'not-asked': 'not looked at',
} as const;

const stands = ({ answer }: AircraftPage['rules'][number]): boolean =>
  answer === 'closes' || answer === 'unknown';

/** Every rule that was asked, with its answer, where it comes from and what it says; those that close uses first. */
export function Rules({ page }: { readonly page: AircraftPage }) {
  return (
    <Section id="rules-checked" title="What was checked">
      <PlainList>
        {page.rules
          .toSorted((a, b) => Number(stands(b)) - Number(stands(a)))
          .map((rule) => (
            <ListLine key={rule.id} sx={{ py: 0, borderTop: 'none' }}>
              <More
                open={stands(rule)}
                summary={
                  <>
                    <b>{rule.title}</b>: {ANSWERS[rule.answer]} <span className="small">{rule.source}</span>
                  </>
                }
              >
                <div className="small">{rule.explanation}</div>
              </More>
            </ListLine>
          ))}
      </PlainList>
      <p className="small">
        Not checked: {page.notChecked.join('; ')}. Groval advises. The pilot in command, licensed mechanics,
        the aircraft’s documents and local law decide.
      </p>
    </Section>
  );
}
