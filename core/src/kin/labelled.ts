/**
 * Pages of the demo notes, each with the page that a careful reader of the notes would call most alike among those
 * that no link ties to it. Written down from the notes, before there was a measure. `in` is the section of a title
 * that two pages have.
 */
export interface LabelledKin {
  page: string;
  nearest: string;
  in?: string;
}

export const labelledKin: readonly LabelledKin[] = [
  { page: 'Account book 1868', nearest: 'Millwright’s ledger' },
  { page: 'Natural hydraulic lime', nearest: 'Lime repointing', in: 'Building fabric' },
  { page: 'Dendro samples', nearest: 'Tree rings on the coast' },
  { page: 'Apple trees', nearest: 'Pruning dates' },
  { page: 'Slack water', nearest: 'Neaps and springs' },
  { page: 'Water Wheels Explained', nearest: 'Undershot efficiencies' },
  { page: 'Bin floor', nearest: 'Loads' },
  { page: 'Sluice gate no. 3', nearest: 'Sluice gate no. 1' },
  { page: 'Green oak', nearest: 'Oak for the leaf' },
  { page: 'Scour at sills', nearest: 'Apron and sill' },
  { page: 'Winch rating', nearest: 'Winch ratings' },
  { page: 'Bedstone', nearest: 'Runner stone' },
];
