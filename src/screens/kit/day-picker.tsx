'use client';

import { AdapterDayjs } from '@mui/x-date-pickers/AdapterDayjs';
import { DatePicker } from '@mui/x-date-pickers/DatePicker';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import dayjs, { type Dayjs } from 'dayjs';
import 'dayjs/locale/en-gb';
import { useState } from 'react';
import type { DayFieldProps } from './day-props';

const ISO = 'YYYY-MM-DD';
const moment = (day: string | undefined) => {
  const parsed = day === undefined || day === '' ? null : dayjs(day, ISO);
  return parsed?.isValid() === true ? parsed : null;
};

/** The day as a form holds it; what is typed halfway is none yet. */
const textOf = (day: Dayjs | null): string =>
  day?.isValid() === true && day.year() > 1900 ? day.format(ISO) : '';

/** The calendar of a day field; apart, so that a page without dates does not load it. */
export default function DayPicker({
  label,
  value,
  onChange,
  onBlur,
  help,
  error,
  min,
  max,
  size = 'medium',
  sx,
}: DayFieldProps) {
  // What is typed halfway stays in the field, though the form holds no day until it is one.
  const [typed, setTyped] = useState<Dayjs | null>(() => moment(value));
  const earliest = moment(min);
  const latest = moment(max);
  return (
    <LocalizationProvider dateAdapter={AdapterDayjs} adapterLocale="en-gb">
      <DatePicker
        label={label}
        // Day, month in letters, year: no reader takes one for the other.
        format="DD MMM YYYY"
        value={textOf(typed) === value ? typed : moment(value)}
        onChange={(day) => {
          setTyped(day);
          onChange(textOf(day));
        }}
        {...(earliest === null ? {} : { minDate: earliest })}
        {...(latest === null ? {} : { maxDate: latest })}
        {...(sx === undefined ? {} : { sx })}
        // Whose today? The browser's may be another than the club's.
        disableHighlightToday
        slotProps={{
          desktopPaper: { sx: { border: '1px solid var(--rule)' } },
          textField: {
            size,
            ...(error === undefined ? {} : { error: true }),
            helperText: error ?? help ?? '',
            ...(onBlur === undefined ? {} : { onBlur }),
          },
        }}
      />
    </LocalizationProvider>
  );
}
