import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useId, useRef, useState } from 'react';

/** The entry as the paper logbook has it, to copy from. @param what names the entry */
export function EntryWording({ what, wording }: { readonly what: string; readonly wording: string }) {
  const [isOpen, setIsOpen] = useState(false);
  const [copied, setCopied] = useState<'no' | 'yes' | 'by hand'>('no');
  const text = useRef<HTMLTextAreaElement>(null);
  const title = useId();
  const copy = async () => {
    text.current?.select();
    try {
      await navigator.clipboard.writeText(wording);
      setCopied('yes');
    } catch {
      // Not every browser lets a page write there: the text is selected, and the keyboard does it.
      setCopied('by hand');
    }
  };
  return (
    <>
      <Button
        size="small"
        aria-label={`Words for the paper logbook: ${what}`}
        onClick={() => {
          setCopied('no');
          setIsOpen(true);
        }}
      >
        For the paper logbook …
      </Button>
      <Dialog
        open={isOpen}
        onClose={() => {
          setIsOpen(false);
        }}
        aria-labelledby={title}
        className="prints-alone"
        fullWidth
        maxWidth="sm"
      >
        <DialogTitle id={title} className="on-screen">
          {what}, for the paper logbook
        </DialogTitle>
        <pre className="only-printed">{wording}</pre>
        <DialogContent className="on-screen">
          <TextField
            multiline
            fullWidth
            value={wording}
            inputRef={text}
            slotProps={{ htmlInput: { readOnly: true, 'aria-label': 'Words of the entry' } }}
          />
          <p className="small" role="status">
            {copied === 'yes'
              ? 'Copied.'
              : copied === 'by hand'
                ? 'The words are selected: copy them with the keyboard.'
                : 'Compare it with the paper before you sign there.'}
          </p>
        </DialogContent>
        <DialogActions className="on-screen">
          <Button
            onClick={() => {
              setIsOpen(false);
            }}
          >
            Close
          </Button>
          <Button
            onClick={() => {
              window.print();
            }}
          >
            Print
          </Button>
          <Button
            variant="contained"
            onClick={() => {
              void copy();
            }}
          >
            Copy the words
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
