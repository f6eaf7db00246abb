/**
 * Glosses from the demo notes, each with the line of the page that a careful reader would set it beside. Written down
 * before the rule was tuned, from the notes alone.
 *
 * `from` is the title of the page the gloss stands on, or the number of days before the demo's today. `gloss` and
 * `beside` are the beginnings of the two lines; null stands for the head of the page.
 */
export interface Judged {
  page: string;
  from: string | number;
  gloss: string;
  beside: string | null;
}

const on = (page: string, rows: [from: string | number, gloss: string, beside: string | null][]): Judged[] =>
  rows.map(([from, gloss, beside]) => ({ page, from, gloss, beside }));

export const judged: readonly Judged[] = [
  ...on('Sluice gate no. 2', [
    [0, 'Push', 'Measure the gudgeon bore'],
    [0, '16:10', 'The lower leaf has dropped'],
    [0, '11:30', 'Seven boards of elm'],
    [1, '09:15', 'Ask Tomas Wren'],
    [10, 'Read Tide and Timber', null],
    ['Budget', 'The oak for', 'Seven boards of elm'],
    ['Drawing of 1868', 'Ink on linen', 'The 1868 account book'],
    [16, 'Leaf knocked', 'The lower leaf has dropped'],
    ['Scarf joints', 'For a rail', 'Seven boards of elm'],
    [32, 'Could a scarf', 'Seven boards of elm'],
    ['Slinging a gate leaf', 'Two slings', 'Before any lift'],
    [48, 'Letters of Agnes Holt', null],
    [50, '14:30', 'The lower leaf has dropped'],
    ['Millwright’s ledger', 'Feb. 1868', 'The 1868 account book'],
    ['Harbour Trust grant', 'Stage two', 'Nothing gets lifted'],
    ['Marine licence', 'Lifting', 'Nothing gets lifted'],
  ]),
  ...on('Tomas Wren', [
    ['Pit wheel cogs', 'Forty-eight cogs', 'Gearing, cogs'],
    [1, '09:15', null],
    ['Sluice gate no. 2', 'Ask', null],
    ['Undershot wheel', 'Sixteen feet', null],
  ]),
  ...on('Callum Frayne', [
    [0, '16:10', 'Likes figures'],
    [3, 'Send bore figures', 'Likes figures'],
    ['Pintles built up by weld', 'Callum Frayne has done', 'Smith and welder'],
    [12, '10:00', null],
    [50, '14:30', null],
  ]),
  ...on('Edda Stroud', [
    [7, 'Rang', 'Open with her'],
    [14, 'Edda Stroud drops', 'Open with her'],
    [31, '22 %', 'Timber yard'],
    ['Beans and peas', 'Sown twice', null],
    ['Oak for the leaf', 'Green oak', 'Open with her'],
    ['Hornbeam order', 'Fifty blanks', 'Open with her'],
  ]),
  ...on('Noor Halloran', [
    ['Undershot wheel', 'With 600 mm', 'Owes us'],
    [26, '10:00', 'Owes us'],
    ['Open day plan', 'Second Sunday', 'Owes us'],
    ['Noor’s lentils', 'From', null],
    ['Turbine in the tailrace', 'A 4 kW', null],
    [34, 'Undershot efficiencies', null],
    [3, '15:20', null],
  ]),
  ...on('Petra Vane', [
    [4, '11:00', 'Keeper of the chain slings'],
    ['Stop logs', 'The chain slings', 'Keeper of the chain slings'],
    ['Harbour Trust grant', 'Stage two', 'Keeper of the chain slings'],
    [35, 'Petra Vane wants', 'Keeper of the chain slings'],
    ['Kiosk on the quay', 'Harbour said no', null],
    [365, 'Petra Vane had', null],
    [0, 'Write to', null],
  ]),
  ...on('Joss Merridew', [
    ['Rota', 'Joss Merridew keeps', 'Keeps the Rota'],
    [40, 'Joss Merridew has', 'Keeps the Rota'],
    [6, '13:10', 'Leads the volunteers'],
    [19, 'Walk the route', null],
    ['Tide pool survey', 'Levels taken', null],
  ]),
  ...on('Adaeze Brook', [
    [6, 'Adaeze Brook came', 'Watching brief is the agreement'],
    [9, 'Four brass weights', 'Watching brief is the agreement'],
    ['Millwright’s ledger', 'Scans in the county', null],
    [29, 'Adaeze Brook asked', null],
  ]),
  ...on('Stop logs', [
    [4, 'Asked her', 'The chain slings'],
    [8, 'Split in no. 4', 'Eleven logs'],
    [58, 'Pitch pine', 'Eleven logs'],
  ]),
  ...on('Tide pool survey', [
    ['Flow over a sill', 'Q = 1.7', 'See Flow over a sill'],
    [37, 'Volume at sill level', 'See Flow over a sill'],
    [60, 'Brass pin', 'Levels taken'],
  ]),
  ...on('Harbour Trust grant', [
    [4, 'Quarterly note', 'Quarterly note'],
    [4, '11:00', 'Quarterly note'],
    [35, 'Petra Vane wants', 'A public day'],
    ['Roof over the stone floor', 'Scaffold', null],
    ['Petra Vane', 'Keeper', 'Stage two'],
  ]),
  ...on('Marine licence', [
    [5, '08:30', 'The licence covers'],
    [12, '10:00', 'The licence covers'],
    [12, '16:00', 'Lifting'],
    [5, 'Read the conditions', 'Lifting'],
    ['Sluice gate no. 2', 'Nothing gets lifted', 'Lifting'],
  ]),
  ...on('Pit wheel cogs', [
    ['Tomas Wren', 'Gearing', 'Forty-eight cogs'],
    [20, 'First twelve cogs', 'Oil bath'],
    ['Hornbeam', 'Cleave it', 'Forty-eight cogs'],
    [55, 'Tomas’s pattern', 'Forty-eight cogs'],
  ]),
  ...on('Millwright’s ledger', [
    [5, '17:45', 'Feb. 1868'],
    ['The Miller’s Day', 'Memoir', 'Quarter days'],
    ['Drawing of 1868', 'Ink on linen', 'Feb. 1868'],
    [21, '“new gate furniture', 'Feb. 1868'],
    ['Sluice gate no. 2', 'The 1868 account book', 'Feb. 1868'],
  ]),
  ...on('Tide and Timber', [
    [0, 'Finish chapter 4', 'Ch. 4'],
    [10, 'Read Tide and Timber', 'A gate is a door'],
    [32, 'Tide and Timber ch. 4', 'Ch. 4'],
    ['Oak moisture', 'Edda’s butt', 'Ch. 3'],
  ]),
  ...on('Staff readings', [[25, '08:00', 'Read at the second post']]),
  ...on('Pintle and gudgeon', [[8, '09:20', 'So nine millimetres']]),
  ...on('Oak for the leaf', [
    [23, 'Her butt', 'Green oak is no use'],
    [14, 'Edda Stroud drops', 'Price £1,140'],
  ]),
  ...on('Tailrace', [
    [29, 'Shopping trolley', 'Clear from the wheel pit'],
    [6, '13:10', 'Adaeze Brook wants the silt'],
  ]),
  ...on('Apron and sill', [[71, '06:20', 'Sill is a single oak']]),
  ...on('Screw and spindle', [[2, '15:10', 'Template of the nut']]),
  ...on('Undershot wheel', [
    [34, 'Nine soft', 'Replace the nine soft'],
    ['Undershot efficiencies', 'Figures from', 'With 600 mm'],
    [365, 'Petra Vane had', null],
    ['Młyny pływowe', 'Zeszyt', null],
  ]),
  ...on('Floats', [
    [52, '14:20', 'Thirty-two floats'],
    [15, '11:00', 'Paint numbers'],
  ]),
  ...on('Stone floor', [[26, '10:00', 'Two pairs of stones']]),
  ...on('Sack hoist', [[39, '10:50', 'Chain is sound']]),
  ...on('Roof over the stone floor', [
    [26, 'Water came', 'Three slipped courses'],
    [27, 'One roofer', 'Ask three roofers'],
  ]),
  ...on('Watching brief', [
    [9, 'Four brass weights', 'Found so far'],
    ['Sluice gate no. 3', 'Ask before', null],
    ['Adaeze Brook', 'Watching brief', 'What Adaeze Brook'],
  ]),
  ...on('East gable', [[68, '09:15', 'Leans out 38 mm']]),
  ...on('Windows', [[18, '14:00', 'Six casements']]),
  ...on('Budget', [
    [14, '£190 short', 'The oak for'],
    ['Oak for the leaf', 'Price', 'The oak for'],
  ]),
  ...on('Listed building consent', [[11, '13:00', 'Like for like']]),
  ...on('Visitor route', [[19, 'Visitor route', 'Quay, wheel house']]),
  ...on('Oak moisture', [
    [31, '22 %', 'Edda’s butt'],
    ['Tide and Timber', 'Ch. 3', 'Edda’s butt'],
    ['Oak for the leaf', 'Green oak', 'Edda’s butt'],
  ]),
  ...on('Pintles built up by weld', [[50, 'Three times', 'Callum Frayne has done three']]),
  ...on('Neaps and springs', [['Working windows', 'A window is', 'Neaps come about']]),
  ...on('Tide log', [[16, 'The pool came up', 'The wind from the west']]),
  ...on('Winch ratings', [[3, '15:20', 'The harbour winch']]),
  ...on('Measured drawing', [[38, 'Inked the wheel', 'Draw at one to twenty']]),
  ...on('Total station notes', [
    [37, '4.12', 'Set up on the quay bolt'],
    ['Tide pool survey', 'Levels taken', 'Set up on the quay bolt'],
  ]),
];
