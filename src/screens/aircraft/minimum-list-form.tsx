import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import Papa from 'papaparse';
import { useRef, useState } from 'react';
import { useForm } from 'react-hook-form';
import {
  MINIMUM_LIST_COLUMNS,
  readMinimumRow,
  type MinimumItemInput,
} from '@/contracts/aircraft/minimum-list-rows';
import { separatorOf } from '@/contracts/exchange/separator';
import { EQUIPMENT_NAMES } from '@/explain/names';
import type { Facts } from '@/queries/aircraft/facts';
import { FormDay } from '../kit/form-day';
import { FieldGrid } from '../kit/layout';
import { FactAnswer } from './fact-answer';
import { MinimumItemForm } from './minimum-item-form';
import { useFact, useInstead } from './use-fact';

interface Fields {
  readonly revision: string;
  readonly approvedOn: string;
}

/** So many faults of a file are told at once. */
const MOST_FAULTS = 12;

/** Reads a file's rows. What is wrong with any of them is told by its line, and then nothing of the file is taken over. */
function readFile(text: string): {
  readonly items: readonly MinimumItemInput[];
  readonly faults: readonly string[];
} {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/u, ''), {
    header: true,
    delimiter: separatorOf(text),
    skipEmptyLines: 'greedy',
    transformHeader: (header) => header.trim().toLowerCase(),
  });
  const absent = ['item', 'name', 'equipment', 'installed', 'required'].filter(
    (column) => meta.fields?.includes(column) !== true,
  );
  if (absent.length > 0)
    return {
      items: [],
      faults: [`The first line lacks ${absent.join(', ')}. Columns: ${MINIMUM_LIST_COLUMNS.join(', ')}.`],
    };
  const items: MinimumItemInput[] = [];
  const faults: string[] = [];
  data.forEach((row, at) => {
    const read = readMinimumRow(row);
    if (read.ok) items.push(read.item);
    else for (const problem of read.problems) faults.push(`Line ${at + 2}, ${problem}`);
  });
  return {
    items,
    faults: items.length + faults.length === 0 ? ['The file has no line below its first.'] : faults,
  };
}

/** The approved minimum equipment list of an aircraft: item by item or from a file, and saved whole. A later one takes its place. */
export function MinimumListForm({ facts }: { readonly facts: Facts }) {
  const before = facts.minimumList;
  const [items, setItems] = useState<readonly MinimumItemInput[]>(before?.items ?? []);
  const [faults, setFaults] = useState<readonly string[]>([]);
  const [open, setOpen] = useState<MinimumItemInput | 'new' | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const { enter, answer } = useFact(facts);
  const { instead, recorded, told } = useInstead(facts.minimumListId);
  const {
    register,
    control,
    handleSubmit,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<Fields>({
    defaultValues: { revision: before?.revision ?? '', approvedOn: before?.approvedOn ?? '' },
  });
  const take = async (chosen: File | undefined) => {
    if (chosen === undefined) return;
    const read = readFile(await chosen.text());
    setFaults(read.faults);
    if (read.faults.length === 0) setItems(read.items);
  };
  const keep = (item: MinimumItemInput) => {
    const others = items.filter((one) => one.code !== item.code && one !== open);
    setItems([...others, item].sort((a, b) => a.code.localeCompare(b.code, 'en', { numeric: true })));
    setOpen(null);
  };
  const save = async ({ revision, approvedOn }: Fields) => {
    if (items.length === 0) {
      setFaults(['The list has no item yet. Add its items, or take them from a file.']);
      return;
    }
    setFaults([]);
    const done = await enter(
      { kind: 'minimum-equipment-list', instead, list: { revision, approvedOn, items: [...items] } },
      (field, message) => {
        told(field);
        if (field === 'revision' || field === 'approvedOn') setError(field, { message });
      },
    );
    if (done !== null) recorded(done);
  };
  /** From here on the aircraft has no list: what was deferred by it is no longer. */
  const withdraw = async ({ revision, approvedOn }: NonNullable<Facts['minimumList']>) => {
    const done = await enter(
      { kind: 'minimum-equipment-list', instead, list: { revision, approvedOn, items: [] } },
      told,
    );
    if (done !== null) {
      recorded(done);
      setItems([]);
    }
  };
  return (
    <Stack spacing={1.5}>
      <Typography className="small">
        With an approved list on record only what stands on it is deferred, by its category and while as many
        work as it asks for. That the list is approved for this aircraft stands in “What it is and may be used
        for”.
      </Typography>
      <Stack
        component="form"
        spacing={1.5}
        noValidate
        aria-label="Minimum equipment list"
        onSubmit={(event) => {
          void handleSubmit(save)(event);
        }}
      >
        <FieldGrid least={220}>
          <TextField
            label="Revision"
            {...register('revision', {
              validate: (text) => text.trim() !== '' || 'Enter the revision of the list.',
            })}
            error={errors.revision !== undefined}
            helperText={errors.revision?.message}
          />
          <FormDay
            control={control}
            name="approvedOn"
            label="Approved on"
            max={facts.today}
            rules={{ required: 'Enter the day on which it was approved.' }}
          />
        </FieldGrid>
        {items.length === 0 ? <p>No item yet.</p> : null}
        <TableContainer sx={items.length === 0 ? { display: 'none' } : {}}>
          <Table size="small" aria-label="Items of the list">
            <TableHead>
              <TableRow>
                <TableCell>Item</TableCell>
                <TableCell>Name</TableCell>
                <TableCell>Equipment</TableCell>
                <TableCell>Category</TableCell>
                <TableCell align="right">Installed</TableCell>
                <TableCell align="right">Required</TableCell>
                <TableCell />
              </TableRow>
            </TableHead>
            <TableBody>
              {items.map((item) => (
                <TableRow key={item.code}>
                  <TableCell className="mono">{item.code}</TableCell>
                  <TableCell>{item.name}</TableCell>
                  <TableCell>{item.equipment.map((kind) => EQUIPMENT_NAMES[kind]).join(', ')}</TableCell>
                  <TableCell>
                    {item.category === undefined
                      ? 'none'
                      : `${item.category}${item.days === undefined ? '' : `, ${item.days} days`}`}
                  </TableCell>
                  <TableCell align="right" className="figure">
                    {item.installed}
                  </TableCell>
                  <TableCell align="right" className="figure">
                    {item.required}
                  </TableCell>
                  <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                    <Button
                      size="small"
                      aria-label={`Change ${item.code}`}
                      onClick={() => {
                        setOpen(item);
                      }}
                    >
                      Change
                    </Button>
                    <Button
                      size="small"
                      aria-label={`Remove ${item.code}`}
                      onClick={() => {
                        setItems(items.filter((one) => one !== item));
                      }}
                    >
                      Remove
                    </Button>
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </TableContainer>
        {faults.length === 0 ? null : (
          <Alert severity="error">
            {faults.slice(0, MOST_FAULTS).map((fault) => (
              <div key={fault}>{fault}</div>
            ))}
            {faults.length > MOST_FAULTS ? <div>and {faults.length - MOST_FAULTS} more.</div> : null}
          </Alert>
        )}
        <FactAnswer {...answer} />
        <Stack direction="row" useFlexGap sx={{ gap: 1, flexWrap: 'wrap' }}>
          <Button type="submit" variant="contained" disabled={isSubmitting}>
            Save the list
          </Button>
          {before === null ? null : (
            <Button
              variant="outlined"
              onClick={() => {
                void withdraw(before);
              }}
            >
              Withdraw the list
            </Button>
          )}
          <Button
            variant="outlined"
            onClick={() => {
              setOpen('new');
            }}
          >
            Add an item
          </Button>
          <Button variant="outlined" component="label">
            Take items from a CSV file
            <input
              ref={file}
              type="file"
              accept=".csv,text/csv"
              hidden
              onChange={({ target }) => {
                void take(target.files?.[0]).finally(() => {
                  target.value = '';
                });
              }}
            />
          </Button>
        </Stack>
      </Stack>
      {open === null ? null : (
        <MinimumItemForm
          key={open === 'new' ? 'new' : open.code}
          item={open === 'new' ? null : open}
          onKeep={keep}
          onCancel={() => {
            setOpen(null);
          }}
        />
      )}
    </Stack>
  );
}
