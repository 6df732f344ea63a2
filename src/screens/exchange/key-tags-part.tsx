import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { LABEL_SHEET_IDS, LABEL_SHEETS, type LabelSheetId } from '@/contracts/aircraft/label-sheets';
import { Section } from '../kit/section';

/** Key tags to print: each with a code that opens its aircraft on the phone. */
export function KeyTagsPart() {
  const [sheet, setSheet] = useState<LabelSheetId>('a4-24');
  return (
    <Section id="key-tags" title="Key tags">
      <Box component="p" sx={{ m: '0 0 12px', maxWidth: 760 }}>
        One label for each aircraft. Its code opens the aircraft on a phone, and after that also without
        signal for the day.
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
        <TextField
          select
          size="small"
          label="Labels"
          value={sheet}
          onChange={({ target }) => {
            const chosen = LABEL_SHEET_IDS.find((id) => id === target.value);
            if (chosen !== undefined) setSheet(chosen);
          }}
          sx={{ minWidth: 320 }}
        >
          {LABEL_SHEET_IDS.map((id) => (
            <MenuItem key={id} value={id}>
              {LABEL_SHEETS[id].name}
            </MenuItem>
          ))}
        </TextField>
        <Button component="a" href={`/api/key-tags?sheet=${sheet}`} download variant="outlined">
          Make the PDF
        </Button>
      </Box>
    </Section>
  );
}
