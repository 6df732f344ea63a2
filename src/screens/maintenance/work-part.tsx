import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import type { AircraftPage } from '@/queries/aircraft/aircraft-page';
import type { OpenWork } from '@/queries/maintenance/open-work';
import { useCommand } from '../data/command';
import { ListLine, PlainList } from '../kit/layout';
import { Section } from '../kit/section';
import { TroubleAlert } from '../kit/trouble-alert';
import { lazily } from '../kit/lazily';

const AfterWorkForm = lazily(() => import('./after-work-form').then((module) => module.AfterWorkForm), 240);
const WorkForm = lazily(() => import('./work-form').then((module) => module.WorkForm), 240);

/** Saying that work is begun: it grounds the aircraft until somebody entitled approves the work. */
function BeginForm({ page, onDone }: { readonly page: AircraftPage; readonly onDone: () => void }) {
  const { post, trouble } = useCommand();
  const [id] = useState(() => crypto.randomUUID());
  const {
    register,
    handleSubmit,
    formState: { errors, isSubmitting },
  } = useForm({ defaultValues: { description: '' } });
  return (
    <Stack
      component="form"
      spacing={1.5}
      noValidate
      aria-label="Begin work"
      sx={{ maxWidth: 560, py: 1.25 }}
      onSubmit={(event) => {
        void handleSubmit(async ({ description }) => {
          const done = await post(
            'POST /api/work-entries/begun',
            { workId: id, aircraftId: page.aircraftId, description },
            () => undefined,
          );
          if (done) onDone();
        })(event);
      }}
    >
      <TextField
        label="What is being worked on"
        multiline
        minRows={2}
        {...register('description', {
          validate: (text) => text.trim() !== '' || 'Say what is being worked on.',
        })}
        error={errors.description !== undefined}
        helperText={errors.description?.message}
      />
      <TroubleAlert trouble={trouble} />
      <Stack direction="row" spacing={1}>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          Work is begun: ground {page.registration}
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </Stack>
    </Stack>
  );
}

/** Whom it waits for, where the reader is not one who may. */
function waitsFor({ approve, checkFlight, inspect }: OpenWork): readonly string[] {
  return [
    ...(approve?.length === 0 ? ['A mechanic approves it for return to service.'] : []),
    ...(checkFlight?.length === 0 ? ['A rated pilot flies it first, and logs that.'] : []),
    ...(inspect?.length === 0 ? ['Somebody who did not do the work inspects it.'] : []),
  ];
}

type Step = 'approve' | 'check-flight' | 'inspection';

/** Work that something hangs on, with the steps that the reader may do. */
function Open({ page, work }: { readonly page: AircraftPage; readonly work: OpenWork }) {
  const [step, setStep] = useState<Step | null>(null);
  const close = () => {
    setStep(null);
  };
  const button = (of: Step, offered: OpenWork['approve'], words: string): ReactNode =>
    offered === null || offered.length === 0 ? null : (
      <Button
        key={of}
        size="small"
        variant="outlined"
        onClick={() => {
          setStep(of);
        }}
      >
        {words}
      </Button>
    );
  return (
    <ListLine>
      <b>{work.description}</b>{' '}
      <span className="small">{work.on === '' ? 'not finished' : `done ${work.on}`}</span>
      {work.tells.map((words) => (
        <div key={words}>{words}</div>
      ))}
      {waitsFor(work).map((words) => (
        <div key={words} className="small">
          {words}
        </div>
      ))}
      {step === null ? (
        <Stack direction="row" spacing={1} useFlexGap sx={{ mt: 1, flexWrap: 'wrap' }}>
          {button('approve', work.approve, 'Approve for return to service …')}
          {button('check-flight', work.checkFlight, 'Check flight …')}
          {button('inspection', work.inspect, 'Second inspection …')}
        </Stack>
      ) : step === 'approve' ? (
        <WorkForm page={page} approves={work} onDone={close} />
      ) : (
        <AfterWorkForm
          page={page}
          work={work}
          step={step}
          certificates={(step === 'check-flight' ? work.checkFlight : work.inspect) ?? []}
          onDone={close}
        />
      )}
    </ListLine>
  );
}

/**
 * Work on the aircraft: what waits for an approval, a check flight or a second inspection, and new work. Nothing where there is neither.
 */
export function WorkPart({ page }: { readonly page: AircraftPage }) {
  const [form, setForm] = useState<'begin' | 'record' | null>(null);
  const { open, mayBegin, sign } = page.work;
  const mayRecord = sign.work.length + sign.preventive.length > 0;
  if (open.length === 0 && !mayBegin && !mayRecord) return null;
  const close = () => {
    setForm(null);
  };
  return (
    <Section id="work" title="Work on the aircraft">
      {open.length === 0 ? null : (
        <PlainList>
          {open.map((work) => (
            <Open key={work.id} page={page} work={work} />
          ))}
        </PlainList>
      )}
      {form === 'begin' ? <BeginForm page={page} onDone={close} /> : null}
      {form === 'record' ? <WorkForm page={page} approves={null} onDone={close} /> : null}
      {form === null ? (
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: open.length === 0 ? 0 : 1 }}>
          {mayRecord ? (
            <Button
              variant="outlined"
              size="small"
              onClick={() => {
                setForm('record');
              }}
            >
              Record work done …
            </Button>
          ) : null}
          {mayBegin ? (
            <Button
              size="small"
              onClick={() => {
                setForm('begin');
              }}
            >
              Work is begun …
            </Button>
          ) : null}
        </Box>
      ) : null}
    </Section>
  );
}
