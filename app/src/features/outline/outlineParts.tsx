import type { ComponentType } from 'react';
import { NotebookContents as Contents } from './NotebookContents';
import { NotebooksScreen as Notebooks } from './NotebooksScreen';
import { OutlineDragging } from './OutlineDragging';
import { Pile as Spines } from './Pile';

/** What shows the notebooks and what they hold, in one piece: no text waits for any of it. */

export { DescribeSheet, MakeSheet } from './MakeSheet';
/** Charts are drawn by what draws ornaments. */
export { BarChart } from 'react-native-chart-kit';

/** Its entries can be dragged, among themselves and to those of the others. */
const arranged = <Props extends object>(Part: ComponentType<Props>) =>
  function Arranged(props: Props) {
    return (
      <OutlineDragging>
        <Part {...props} />
      </OutlineDragging>
    );
  };

export const NotebookContents = arranged(Contents);
export const NotebooksScreen = arranged(Notebooks);
export const Pile = arranged(Spines);
