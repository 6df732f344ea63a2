'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { SIGNED_WORK, type EnteredWork } from '@/core/records/club/certificate';
import {
  ITEM_BASES,
  ITEM_KINDS,
  type ItemBasis,
  type ItemKind,
} from '@/core/records/maintenance/maintenance-item';
import { sentenceCase } from '@/explain/wording';
import { ITEM_KIND_NAMES } from '@/explain/names';
import type { FactLine, Facts } from '@/queries/aircraft/facts';
import { FormChoice } from '../kit/form-choice';
import { FormTick } from '../kit/form-tick';
import { FormDay } from '../kit/form-day';
import { FieldGrid, ListLine, PlainList } from '../kit/layout';
import { StrikeForm, StruckText } from '../maintenance/strike-form';
import { FactAnswer } from './fact-answer';
import { intervalOf, IntervalFields, NO_INTERVAL, type IntervalText } from './interval-fields';
import { ListEntry } from './list-entry';
import { said, useFact } from './use-fact';

/** The records of a list with whether somebody said that it is complete, and a way to say so. */
export function FactList({
  facts,
  list,
  lines,
  none,
  children,
}: {
  readonly facts: Facts;
  readonly list: 'items' | 'ads';
  readonly lines: readonly FactLine[];
  readonly none: string;
  readonly children: ReactNode;
}) {
  const { enter, answer } = useFact(facts);
  return (
    <Stack spacing={1.5}>
      {lines.length === 0 ? (
        <Typography>{none}</Typography>
      ) : (
        <PlainList>
          {lines.map((line) => (
            <ListLine key={line.id}>
              <Box component="span" sx={{ textDecoration: line.struck == null ? 'none' : 'line-through' }}>
                <b>{line.text}</b> <span className="small">{line.more}</span>
              </Box>
              {line.struck == null ? (
                facts.mayReplace ? (
                  <StrikeForm
                    folder={facts}
                    recordId={line.id}
                    kind={list === 'items' ? 'item' : 'ad'}
                    what={line.text}
                  />
                ) : null
              ) : (
                <StruckText struck={line.struck} />
              )}
            </ListLine>
          ))}
        </PlainList>
      )}
      {facts.complete[list] ? (
        <Typography className="small">
          Somebody said that the list is complete. Completions are signed in the folder.
        </Typography>
      ) : (
        <div>
          <b>Nobody has said that this is all, so the aircraft stays closed.</b>{' '}
          <Button
            size="small"
            variant="outlined"
            onClick={() => {
              void enter({ kind: 'complete', list });
            }}
          >
            {lines.length === 0 ? 'There are none' : 'That is all of them'}
          </Button>
        </div>
      )}
      <FactAnswer {...answer} />
      {children}
    </Stack>
  );
}

interface ItemFields {
  readonly name: string;
  readonly kind: ItemKind;
  readonly interval: IntervalText;
  readonly until: string;
  readonly noExpiry: boolean;
  readonly excess: 'taken-off' | 'not-taken-off';
  readonly signedAs: EnteredWork;
  readonly basis: ItemBasis | '';
}
const NO_ITEM: ItemFields = {
  name: '',
  kind: 'service',
  interval: NO_INTERVAL,
  until: '',
  noExpiry: false,
  excess: 'taken-off',
  signedAs: 'return-to-service',
  basis: '',
};

const BASIS_WORDS: Readonly<Record<ItemBasis, string>> = {
  recommended: 'The maker recommends it',
  'airworthiness-limitations': 'The airworthiness limitations ask for it',
  ad: 'An AD asks for it',
  'approved-programme': 'The approved programme asks for it',
  club: 'The club asks for it',
};

/** Life limits, overhauls, services, checks and dated things. */
export function Items({ facts }: { readonly facts: Facts }) {
  const [open, setOpen] = useState(false);
  const { enter, answer } = useFact(facts);
  const {
    register,
    control,
    handleSubmit,
    reset,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<ItemFields>({ defaultValues: NO_ITEM });
  const overhaul = useWatch({ control, name: 'kind' }) === 'overhaul';
  const submit = async ({ name, kind, interval, until, noExpiry, excess, signedAs, basis }: ItemFields) => {
    if (
      (await enter(
        {
          kind: 'item',
          item: {
            name,
            kind,
            interval: intervalOf(interval),
            until: noExpiry ? 'no-expiry' : said(until),
            excess,
            signedAs,
            basis: kind === 'overhaul' && basis !== '' ? basis : undefined,
          },
        },
        (field, message) => {
          setError(field as 'name', { message });
        },
      )) !== null
    ) {
      reset(NO_ITEM);
      setOpen(false);
    }
  };
  return (
    <FactList facts={facts} list="items" lines={facts.items} none="No item is on record.">
      <ListEntry
        what="an item"
        open={open}
        onOpen={setOpen}
        answer={answer}
        busy={isSubmitting}
        onSubmit={(event) => {
          void handleSubmit(submit)(event);
        }}
      >
        <FieldGrid>
          <TextField
            label="Name, as people call it"
            {...register('name', { validate: (words) => words.trim() !== '' || 'Name it.' })}
            error={errors.name !== undefined}
            helperText={errors.name?.message}
          />
          <FormChoice control={control} name="kind" label="Kind">
            {ITEM_KINDS.map((kind) => (
              <MenuItem key={kind} value={kind}>
                {sentenceCase(ITEM_KIND_NAMES[kind])}
              </MenuItem>
            ))}
          </FormChoice>
          {overhaul ? (
            <FormChoice
              control={control}
              name="basis"
              rules={{
                validate: (basis) =>
                  basis !== '' || 'Say what asks for it: a recommended overhaul closes nothing.',
              }}
              label="What asks for it"
              helperText="What is only recommended is told when it is due, and closes nothing."
            >
              {ITEM_BASES.map((basis) => (
                <MenuItem key={basis} value={basis}>
                  {BASIS_WORDS[basis]}
                </MenuItem>
              ))}
            </FormChoice>
          ) : null}
          <FormDay
            control={control}
            name="until"
            label="Date printed on it"
            help="It wins over computing one."
          />
          <FormChoice control={control} name="excess" label="What was flown past it">
            <MenuItem value="taken-off">is taken off the next interval</MenuItem>
            <MenuItem value="not-taken-off">is not taken off</MenuItem>
          </FormChoice>
          <FormChoice control={control} name="signedAs" label="Signed as" helperText="Decides who may.">
            {SIGNED_WORK.map((work) => (
              <MenuItem key={work} value={work}>
                {sentenceCase(work.replaceAll('-', ' '))}
              </MenuItem>
            ))}
          </FormChoice>
        </FieldGrid>
        <Controller
          control={control}
          name="interval"
          render={({ field: { value, onChange } }) => (
            <IntervalFields
              label="Again after"
              value={value}
              onChange={onChange}
              help="Whichever comes first."
            />
          )}
        />
        <FormTick control={control} name="noExpiry" label="It states that it does not expire" />
      </ListEntry>
    </FactList>
  );
}
