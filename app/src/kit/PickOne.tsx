import { useState } from 'react';
import { Box } from './Box';
import { Sheet } from './Sheet';
import { Tap } from './Tap';
import { Said } from './Words';

interface PickOneProps<Value> {
  label: string;
  value: Value;
  options: readonly { value: Value; words: string }[];
  onPick: (value: Value) => void;
}

/** One of several, with its name beside it: what there is to choose from opens in a sheet. */
export function PickOne<Value extends string | null>({ label, value, options, onPick }: PickOneProps<Value>) {
  const [isOpen, setOpen] = useState(false);
  const shown = options.find((option) => option.value === value)?.words ?? '';
  return (
    <>
      <Tap
        look="pick-one"
        aria-haspopup="dialog"
        aria-expanded={isOpen}
        aria-label={`${label}: ${shown}`}
        onPress={() => setOpen(true)}
      >
        <Said>{label}</Said>
        <Said look="pick-one-value" dir="auto">
          {shown}
        </Said>
      </Tap>
      {isOpen && (
        <Sheet title={label} onClose={() => setOpen(false)}>
          <Box role="radiogroup" aria-label={label}>
            {options.map((option) => (
              <Tap
                key={option.value ?? ''}
                role="radio"
                aria-checked={option.value === value}
                look="pick-one-option"
                onPress={() => {
                  setOpen(false);
                  onPick(option.value);
                }}
              >
                <Said dir="auto">{option.words}</Said>
              </Tap>
            ))}
          </Box>
        </Sheet>
      )}
    </>
  );
}
