'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { placeOnAircraft } from '@/core/walkround/place';
import { STATIONS, STEPS } from '@/core/walkround/steps';
import { dateText } from '@/explain/wording';
import { may } from '@/contracts/kernel/permissions';
import type { Folder } from '@/queries/aircraft/folder-view';
import { AircraftDrawing, MarkOnDrawing, type Spot } from '@/ui/aircraft-drawing';
import { ListLine, PlainList } from '../kit/layout';
import { PhotoField, PhotoLinks } from '../kit/photo-field';
import { Section } from '../kit/section';
import { useCommand } from '../data/command';
import { sendPhoto } from '../data/photos';
import { TroubleAlert } from '../kit/trouble-alert';
import { FormPassword } from '../kit/signing-fields';
import { StrikeForm } from '../maintenance/strike-form';

interface Fields {
  readonly what: string;
  readonly size: string;
  readonly step: string;
  readonly place: string;
  readonly certificateId: string;
  readonly password: string;
}

interface Picture {
  readonly of: string;
  readonly photo: File;
}

const PLACES = STATIONS.flatMap(({ id, sided }) =>
  (sided ? (['left', 'right'] as const) : [null]).map((side) => ({
    value: `${id}/${side ?? ''}`,
    name: placeOnAircraft(id, side),
  })),
);

/** Lasting marks that were accepted, on the drawing and in a list; and the form for one more. */
export function Marks({ folder, roles }: { readonly folder: Folder; readonly roles: readonly string[] }) {
  const certificates = folder.sign.judgement;
  const [writing, setWriting] = useState(false);
  const [spot, setSpot] = useState<Spot | null>(null);
  const [markId, setMarkId] = useState(() => crypto.randomUUID());
  const [photo, setPhoto] = useState<File | null>(null);
  const [unsent, setUnsent] = useState<(Picture & { readonly why: string }) | null>(null);
  const { post, trouble } = useCommand();
  const {
    register,
    handleSubmit,
    control,
    setValue,
    setError,
    reset,
    formState: { errors, isSubmitting },
  } = useForm<Fields>({
    defaultValues: {
      what: '',
      size: '',
      step: '',
      place: PLACES[0]?.value ?? '',
      certificateId: certificates[0]?.id ?? '',
      password: '',
    },
  });
  const place = useWatch({ control, name: 'place' });
  const step = useWatch({ control, name: 'step' });
  const corrects = may(roles, 'correct-records');
  const sendPicture = async (picture: Picture) => {
    try {
      await sendPhoto(picture.of, picture.photo);
      setUnsent(null);
    } catch (error) {
      setUnsent({ ...picture, why: error instanceof Error ? error.message : 'that did not work.' });
    }
  };
  const submit = async (fields: Fields) => {
    const [station = '', side = ''] = fields.place.split('/');
    const done = await post(
      'POST /api/marks',
      {
        markId,
        aircraftId: folder.aircraftId,
        seenRevision: folder.revision,
        what: fields.what,
        size: fields.size.trim() === '' ? null : fields.size,
        station,
        side: side === '' ? null : side,
        step: fields.step === '' ? null : fields.step,
        x: spot?.x ?? -1,
        y: spot?.y ?? -1,
        certificateId: fields.certificateId,
        password: fields.password,
      },
      (path, message) => {
        setError(
          (path === 'x' || path === 'y' ? 'what' : path === 'station' ? 'place' : path) as keyof Fields,
          { message },
        );
      },
    );
    if (!done) {
      setValue('password', '');
      return;
    }
    // The mark is accepted whatever becomes of its picture.
    if (photo !== null) await sendPicture({ of: markId, photo });
    setWriting(false);
    setSpot(null);
    setPhoto(null);
    setMarkId(crypto.randomUUID());
    reset();
  };
  const field = (name: keyof Fields) => ({
    error: errors[name] !== undefined,
    helperText: errors[name]?.message,
  });
  return (
    <Section
      id="known-marks"
      title="Known marks"
      act={
        certificates.length === 0 || writing ? null : (
          <Button
            variant="outlined"
            size="small"
            onClick={() => {
              setWriting(true);
            }}
          >
            Accept a mark …
          </Button>
        )
      }
    >
      <AircraftDrawing
        label={
          folder.marks.length === 0
            ? 'The aircraft from above and from the left; no mark is known'
            : `The aircraft from above and from the left, with ${folder.marks.length} known ${folder.marks.length === 1 ? 'mark' : 'marks'}`
        }
        onPlace={writing ? setSpot : undefined}
      >
        {folder.marks.map((mark, at) => (
          <MarkOnDrawing key={mark.id} x={mark.x} y={mark.y} number={at + 1} />
        ))}
        {spot === null ? null : <MarkOnDrawing x={spot.x} y={spot.y} number={null} />}
      </AircraftDrawing>
      {unsent === null ? null : (
        <Alert
          severity="error"
          role="alert"
          action={
            <Button
              color="inherit"
              size="small"
              onClick={() => {
                void sendPicture(unsent);
              }}
            >
              Send the photo again
            </Button>
          }
        >
          The mark is accepted; its photo is not kept: {unsent.why}
        </Alert>
      )}
      {folder.marks.length === 0 ? (
        <p className="small">No mark is known: whatever is found is new.</p>
      ) : (
        <PlainList component="ol" sx={{ m: '8px 0 0' }}>
          {folder.marks.map((mark, at) => (
            <ListLine key={mark.id}>
              <b className="figure">{at + 1}</b> {mark.what}
              {mark.size === null ? '' : `: ${mark.size}`}{' '}
              <span className="small">
                {placeOnAircraft(mark.station, mark.side)} · accepted {dateText(mark.acceptedOn)} by{' '}
                {mark.acceptedBy}
              </span>{' '}
              <PhotoLinks photos={mark.photos} />
              {corrects ? (
                <StrikeForm folder={folder} recordId={mark.id} kind="known-mark" what={`mark ${at + 1}`} />
              ) : null}
            </ListLine>
          ))}
        </PlainList>
      )}
      {!writing ? null : (
        <Stack
          component="form"
          spacing={1.5}
          noValidate
          onSubmit={(event) => {
            void handleSubmit(submit)(event);
          }}
          aria-label="Accept a mark"
          sx={{ py: 1.25, px: 0 }}
        >
          <div className="small">
            {spot === null ? 'Tap the drawing where it is.' : 'Placed. Tap again to move it.'} Accepting a
            mark closes no finding.
          </div>
          <TextField
            label="What it looks like"
            {...register('what', {
              validate: (text) =>
                text.trim() === ''
                  ? 'Describe it: the next walk-round is compared with it.'
                  : spot === null
                    ? 'Tap the drawing where it is.'
                    : true,
            })}
            {...field('what')}
          />
          <TextField
            label="How large it is"
            placeholder="4 mm long, 1 mm deep"
            {...register('size')}
            {...field('size')}
          />
          <PhotoField words="Photo, to compare it with" photo={photo} onChange={setPhoto} />
          <TextField
            select
            label="Where"
            value={place}
            {...register('place', {
              onChange: () => {
                setValue('step', '');
              },
            })}
            {...field('place')}
          >
            {PLACES.map(({ value, name }) => (
              <MenuItem key={value} value={value}>
                {name}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            select
            label="Compared at the step"
            value={step}
            {...register('step')}
            {...field('step')}
          >
            <MenuItem value="">the first look at this part</MenuItem>
            {STEPS.filter(({ station }) => station === place.split('/')[0]).map(({ code, item }) => (
              <MenuItem key={code} value={code}>
                {item}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            select
            label="Judged by certificate"
            defaultValue={certificates[0]?.id ?? ''}
            {...register('certificateId')}
            {...field('certificateId')}
          >
            {certificates.map(({ id, name }) => (
              <MenuItem key={id} value={id}>
                {name}
              </MenuItem>
            ))}
          </TextField>
          <FormPassword control={control} name="password" />
          <TroubleAlert trouble={trouble} />
          <Stack direction="row" spacing={1}>
            <Button type="submit" variant="contained" disabled={isSubmitting}>
              Accept the mark
            </Button>
            <Button
              onClick={() => {
                setWriting(false);
                setSpot(null);
              }}
            >
              Cancel
            </Button>
          </Stack>
        </Stack>
      )}
    </Section>
  );
}
