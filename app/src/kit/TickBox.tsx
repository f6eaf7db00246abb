import { Tap } from './Tap';

interface TickBoxProps {
  /** What is ticked: its words. */
  words: string;
  state: string;
  onTick: () => void;
}

/** The box of a to-do, wherever one is shown outside its own page. */
export function TickBox({ words, state, onTick }: TickBoxProps) {
  return (
    <Tap
      look="box"
      role="checkbox"
      aria-checked={state === 'begun' ? 'mixed' : state === 'done'}
      aria-label={`To-do: ${words}`}
      onPress={(event) => {
        event.stopPropagation();
        onTick();
      }}
      dataSet={{ state }}
    />
  );
}
