'use client';

import type { AircraftPage } from '@/queries/aircraft/aircraft-page';
import { ListLine, PlainList } from '../kit/layout';
import { Paged } from '../kit/paged';
import { Section } from '../kit/section';

/** What was recorded about the aircraft, newest first. */
export function Story({ page }: { readonly page: AircraftPage }) {
  return (
    <Section id="story" title="History">
      <Paged items={page.story} size={20} what="the history">
        {(shown) => (
          <PlainList component="ol">
            {shown.map((line) => (
              <ListLine key={line.seq}>
                <span className="mono small">{line.when}</span> <b>{line.who}</b> {line.words}
              </ListLine>
            ))}
          </PlainList>
        )}
      </Paged>
    </Section>
  );
}
