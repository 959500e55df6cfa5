/** Every key of the application, in the order the keys sheet shows them. */
export const keyTable: readonly { keys: string[]; what: string }[] = [
  { keys: ['/', 'Ctrl K'], what: 'find a job, a stage or a command' },
  { keys: ['?'], what: 'this list' },
  { keys: ['u'], what: 'millimetres or inches' },
  { keys: ['n'], what: 'new setup (on the list of jobs)' },
  { keys: ['[', ']'], what: 'stage back, stage forward' },
  { keys: ['1', '2', '3', '4'], what: 'to a corner, as numbered on the sheet' },
  { keys: ['m'], what: 'measure: to the next empty reading' },
  { keys: ['b'], what: 'bay view: one corner at a time' },
  { keys: ['Space', '→', '←'], what: 'in the bay view: count a turn, an eighth more, an eighth less' },
  { keys: ['s'], what: 'show the calculation of the focused number' },
  { keys: ['Enter'], what: 'in a field: keep it and go on in measuring order (Shift: back)' },
  { keys: ['↑', '↓'], what: 'in a field: one step (Shift: ten)' },
  { keys: ['↑', '↓'], what: 'on a seat or ring that is drawn: half a millimetre (Shift: five)' },
  { keys: ['Esc'], what: 'forget what is typed; close what is open' },
  { keys: ['Ctrl Z', 'Ctrl Shift Z'], what: 'undo, redo' },
];
