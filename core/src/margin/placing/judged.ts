/**
 * Glosses from the demo notes, each with the line of the page that a careful reader would set it beside. Written down
 * before the rule was tuned, from the notes alone.
 *
 * `page` and `from` are the titles of the page and of the one the gloss stands on, or for a day the number of days
 * before the demo's today. `gloss` and `beside` are the beginnings of the two lines; null stands for the head of the page.
 */
export interface Judged {
  page: string | number;
  from: string | number;
  gloss: string;
  beside: string | null;
}

const on = (page: string | number, rows: [from: string | number, gloss: string, beside: string | null][]): Judged[] =>
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

/** More of them, of pages and days that have none above; written down before the rule was written anew. */
export const judgedLater: readonly Judged[] = [
  ...on('Silt cores', [[36, '07:30', 'Eleven cores']]),
  ...on('Second gauge', [[45, 'Borrowed the second', 'The workshop gauge']]),
  ...on('Lift method statement', [['Sluice gate no. 2', 'Draft', null]]),
  ...on('Drawing of 1868', [[5, '17:45', 'Ink on linen']]),
  ...on('Bank repairs', [[25, '12:20', 'Three soft places']]),
  ...on('Going under', [['Culvert', 'Rope and lamp', 'Nobody goes']]),
  ...on('Balance', [
    ['Undershot wheel', 'The parts', null],
    [28, '15:45', 'Stops with float 7'],
  ]),
  ...on('Shaft and journals', [['Undershot wheel', 'The parts', null]]),
  ...on('Hornbeam order', [[23, 'Hornbeam from the older lot', 'Fifty blanks']]),
  ...on('Wallower', [
    [44, 'Ostrey Foundry will', 'Cast, two halves'],
    [13, 'Tomas Wren came', 'Cast, two halves'],
  ]),
  ...on('Bedstone', [
    ['Stone floor', 'Bedstone', null],
    [43, '09:10', 'French burr'],
  ]),
  ...on('Runner stone', [
    ['Stone floor', 'Bedstone', null],
    [43, '12:00', 'Balanced by lead'],
  ]),
  ...on('Lime repointing', [
    ['Roof over the stone floor', 'Scaffold', null],
    [3, '10:40', 'West wall up'],
    [1, '14:00', 'West wall up'],
  ]),
  ...on('Loads', [
    ['Visitor route', 'Numbers', 'Bin floor'],
    ['School visit', 'Thirty', 'Bin floor'],
  ]),
  ...on('Swallows', [
    ['Roof over the stone floor', 'Swallows first', null],
    [83, '16:00', 'Seven nests'],
  ]),
  ...on('Weatherboard', [[11, 'Order', null]]),
  ...on('Insurance', [['Budget', 'Prices in hand', null]]),
  ...on('Quotes', [['Budget', 'Prices in hand', null]]),
  ...on('Time sheets', [[30, '16:00', 'Volunteers']]),
  ...on('Open day plan', [
    ['Harbour Trust grant', 'A public day', null],
    [35, 'Petra Vane wants', null],
  ]),
  ...on('Rota', [
    ['Joss Merridew', 'Keeps the Rota', 'Joss Merridew keeps'],
    [40, 'Joss Merridew has', 'Joss Merridew keeps'],
  ]),
  ...on('Signs', [
    ['Visitor route', 'Numbers', null],
    [28, '10:00', 'Oak boards'],
  ]),
  ...on('Tea', [[18, '10:15', 'The urn trips']]),
  ...on('What people ask', [['Visitor route', 'Numbers', null]]),
  ...on('Film company', [[75, '10:00', 'Wanted the wheel']]),
  ...on('Kiosk on the quay', [[47, 'Kiosk on the quay', 'Harbour said no']]),
  ...on('Turbine in the tailrace', [[47, 'Said too much', 'A 4 kW']]),
  ...on('Wind pump', [[79, '14:00', 'To top up']]),
  ...on('Apple and pear', [
    ['Hornbeam', 'For small gears', 'Cog woods'],
    [46, '11:00', 'Cog woods'],
  ]),
  ...on('Hornbeam', [['Hornbeam order', 'Fifty blanks', 'Cleave it']]),
  ...on('Scarf joints', [
    ['Apron and sill', 'Sill is a single', null],
    ['Tide and Timber', 'Ch. 4', null],
    [32, 'Tide and Timber ch. 4', 'For a rail'],
  ]),
  ...on('Pozzolans', [[56, '09:30', 'Brick dust']]),
  ...on('Protecting new work', [
    ['Hot lime', 'Then', null],
    [11, '08:20', 'Damp sacking'],
  ]),
  ...on('Sand', [
    ['Hot lime', 'Then', null],
    [62, '12:00', 'Sharp, graded'],
  ]),
  ...on('Leaded joints', [
    ['Pintle and gudgeon', 'Weld only', 'Dry the hole'],
    [50, '14:30', 'Dry the hole'],
  ]),
  ...on('Wrought iron sources', [
    ['Undershot wheel', 'Replace the nine', null],
    [53, 'Forty links', 'Old railings'],
  ]),
  ...on('Flow over a sill', [
    ['Tide pool survey', 'See Flow', 'Q = 1.7'],
    ['Turbine in the tailrace', 'A 4 kW', null],
    [37, 'Volume at sill', 'Q = 1.7'],
  ]),
  ...on('Neaps and springs', [
    ['Tide pool survey', 'See Flow', null],
    ['Παλιρροϊκοί μύλοι', 'Για', null],
  ]),
  ...on('Slack water', [[71, '11:00', 'Not at high water']]),
  ...on('Surge', [
    ['Tide log', 'The staff is read', 'Northerly'],
    [25, '08:00', 'Northerly'],
  ]),
  ...on('Chain block checks', [
    ['Sack hoist', 'Tag it out', null],
    [17, 'Chain block checks', 'Every six months'],
  ]),
  ...on('Shear legs', [[59, '10:30', 'Two poles']]),
  ...on('Signals', [[59, '15:30', 'One person signals']]),
  ...on('Slinging a gate leaf', [[17, 'Slinging', 'Two slings']]),
  ...on('Drawing conventions', [['Measured drawing', 'See', null]]),
  ...on('Photographs', [['Measured drawing', 'See', null]]),
  ...on('Levels and closing', [['Total station notes', 'A loop', 'Close the loop']]),
  ...on('Brona Tull', [[2, '15:10', 'Apprenticed']]),
  ...on('Osric Pell', [
    ['Dressing', 'Four lands', 'Stone dresser'],
    [18, 'Write to', null],
  ]),
  ...on('Harbour office', [[46, '16:40', 'Counter shuts']]),
  ...on('Hollin Reeve', [
    ['Eel pass', 'Ask', null],
    [33, '14:30', 'Conservation officer'],
  ]),
  ...on('Anselm Cole', [
    ['Keyholders', 'Anselm Cole', null],
    ['Photograph of 1952', 'Gable leaning', null],
    [39, '15:00', null],
  ]),
  ...on('The Thursday group', [[15, '16:30', 'Six to nine']]),
  ...on('Bexley Wharf', [[22, '09:30', 'Crane hire']]),
  ...on('Ludd & Daughter', [[2, 'Ring', null]]),
  ...on('Marsh Farm', [['Bank repairs', 'Three soft', 'Clay, straw']]),
  ...on('Ostrey Foundry', [
    ['Certificate', 'Calibrated', 'Cold stitching'],
    ['Screw and spindle', 'Template', null],
    ['Wallower', 'Cast', 'Cold stitching'],
    ['Wrought iron sources', 'Old railings', 'Cold stitching'],
    [44, 'Ostrey Foundry', 'Cold stitching'],
    [13, 'Ask', null],
  ]),
  ...on('A Smith’s Day Book', [[54, '17:10', null]]),
  ...on('The Miller’s Day', [['Stone floor', 'Two pairs', 'Memoir']]),
  ...on('Eel pass rules', [
    ['Eel pass', 'The consent', 'Guidance'],
    [33, '09:00', 'Guidance'],
  ]),
  ...on('Młyny pływowe', [[57, 'Polish paper', null]]),
  ...on('京都の水車', [[57, 'Polish paper', null]]),
  ...on('Account book 1868', [[21, 'Account book', 'A fair copy']]),
  ...on('Letters of Agnes Holt', [[48, 'Letters', 'The miller’s widow']]),
  ...on('Photograph of 1952', [[39, '15:00', 'Gable leaning']]),
  ...on('Tithe map', [[52, '10:00', 'Shows the pool']]),
  ...on('Boiler', [[24, 'Boiler again', 'Serviced']]),
  ...on('Apple trees', [[10, 'Pruned nothing', 'The keeper']]),
  ...on('Beans and peas', [[42, 'Beans down', 'Sown twice']]),
  ...on('Compost', [[65, '16:00', 'Turn it']]),
  ...on('Noor’s lentils', [[24, 'Lentils as', null]]),
  ...on('قصيدة المد', [['Noor Halloran', 'Owes us', null]]),
  ...on(31, [['Oak moisture', 'Edda', '22 % in the middle']]),
  ...on(9, [['Watching brief', 'Found so far', 'Four brass']]),
];
