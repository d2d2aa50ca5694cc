/** Help beside the thing: one short page a room, what it is for, what to do there, and why it is so. */
export interface HelpPage {
  readonly id: string;
  readonly title: string;
  /** Addresses of its room; `:x` is any one part. */
  readonly at: readonly string[];
  readonly what: string;
  readonly how: readonly string[];
  readonly why?: string;
}

const page = (
  id: string,
  title: string,
  at: readonly string[],
  what: string,
  how: readonly string[],
  why?: string,
): HelpPage => ({
  id,
  title,
  at,
  what,
  how,
  ...(why !== undefined && { why }),
});

export const HELP_PAGES: readonly HelpPage[] = [
  page('start', 'First steps', ['/desk/start'], 'What a new salon needs before its first dog.', [
    'Go from stone to stone; each is saved as you leave it.',
    'Leave it when you like: what is done is read from the salon itself.',
  ]),
  page(
    'tide',
    'Tide',
    ['/desk/tide'],
    'The year of all dogs: when coats will blow, how much hair that is, and whether your hours can carry it.',
    [
      'The sea is the work that is coming, the wall your hours; where it tops the wall, somebody waits.',
      'Under “Whom to call” stand dogs whose coat fills before their date.',
      'Choose a dog to see its own wave over the sea.',
    ],
    'Light moves the coat, warmth shifts it by days, and every visit logged narrows the band.',
  ),
  page(
    'dog-tide',
    'A dog’s tide',
    ['/desk/dogs/:dogId/tide'],
    'What is known of one coat’s year, and what that rests on.',
    [
      'Write down what the home saw: it counts as much as a visit.',
      'Try what moving indoors, a skipped visit or daily brushing would do.',
    ],
    'Each year that was logged lies over the others; the band is how far they disagree.',
  ),
  page(
    'honest',
    'How good are we',
    ['/desk/tide/honest'],
    'Every past forecast against what happened.',
    ['Dots on the dotted line: bands keep their word. Below it they are too narrow.'],
    'A forecast that hides its misses is worth nothing at a booking.',
  ),
  page(
    'book',
    'Book',
    ['/desk/book'],
    'The year’s visits, placed so that coats do not fill and weeks do not overflow.',
    [
      'Take proposals one by one or by the week; what was agreed is never moved.',
      'Drag a visit, or pick it up by keyboard, to see what another day would cost.',
      'Say who is away: what must move is proposed, never done unasked.',
    ],
  ),
  page('sheet', 'Sheet', ['/desk/sheet'], 'One day laid out on tub, dryers, tables and hands.', [
    'Pin what must stay; the rest is laid around it.',
    'Mark a stage as begun or done and the rest of the day follows.',
  ]),
  page('staff', 'Staff', ['/desk/staff'], 'Who works when, and what each may do.', [
    'Days off and closed days stand here too.',
    'Dogs that must not meet are kept apart in time.',
  ]),
  page('dogs', 'Dogs', ['/desk/dogs'], 'Who most needs a visit, first, with the one reason.', [
    'Find by a part of a dog’s or owner’s name; dogs that rest are found too.',
    'Ahead lists the same by week.',
  ]),
  page('dog', 'A dog', ['/desk/dogs/:dogId'], 'One dog: its coat as last felt, visits, dates, home.', [
    'Feel the coat, and the plan follows.',
    'The map shows what was found where; each zone can be asked.',
  ]),
  page(
    'dog-form',
    'A dog’s facts',
    ['/desk/dogs/new', '/desk/dogs/:dogId/edit'],
    'What is known before anyone touches it.',
    [
      'A breed fills in class, weight and shape; put right what is not so.',
      'Traits are a rule’s handle: head-shy, senior, show coat.',
    ],
  ),
  page(
    'check',
    'Coat check',
    ['/desk/dogs/:dogId/check'],
    'Five touch tests in each zone, before any water.',
    [
      'Choose a grade, then draw it over the zones that feel so; or go zone by zone.',
      'A zone nobody felt borrows from its mirror, and says so.',
      'What contradicts itself is asked about.',
    ],
    'Packed read as matted is the costliest mistake: people shave what only needed water and air.',
  ),
  page(
    'plan',
    'Plan',
    ['/desk/dogs/:dogId/plan/:checkId'],
    'Every school tried on this dog, the one that suits it, and why.',
    [
      'Drag steps and edges on the stairs; faults show at once, with what mends them.',
      'Ask a zone why its tool was chosen, and what it beat.',
      'What if: another dryer, a helper, fewer minutes.',
    ],
  ),
  page('bench', 'Bench', ['/desk/bench'], 'All dogs of the book as they would be worked today.', [
    'Change the room above to see what a purchase or a helper would change for all of them.',
  ]),
  page('ahead', 'Ahead', ['/desk/ahead'], 'The weeks to come: who is due, who is booked.', [
    'Ring those who are due and not booked.',
  ]),
  page('next', 'Next date', ['/desk/dogs/:dogId/next'], 'When this dog should come again, and why.', [
    'Hold a time, send it as a calendar file, or write it down.',
  ]),
  page(
    'today',
    'Today',
    ['/desk/day'],
    'Dilution, drying, noise and stock for the day’s dogs.',
    [
      'Give the bottle’s ratio and the litres: it says what to pour.',
      'Noise is counted by three published rules side by side.',
    ],
    'Hearing that is gone does not come back.',
  ),
  page('homes', 'Homes', ['/desk/homes'], 'What owners found and nobody has answered yet.', [
    'Answer, and it is closed. A lump is for a vet.',
  ]),
  page('home-plan', 'A dog’s home', ['/desk/dogs/:dogId/home'], 'Which parts on which days, for so many minutes.', [
    'Make a link for the owner: their phone shows today’s part, and nothing else.',
    'What is missed slides to the next day.',
  ]),
  page('post', 'Reminders', ['/desk/post'], 'What each household asked to be told, and what was sent.', [
    'Nothing is sent to who did not ask. STOP ends it.',
  ]),
  page('tally', 'Tally', ['/desk/tally'], 'What your own log adds up to, and what it has taught.', [
    'Choose what to count, by what, of which visits.',
    'Every drawing can be a table, and taken along as SVG, PNG or CSV.',
    '“Since last year” says only what could hardly be chance.',
  ]),
  page('practice', 'Practice', ['/desk/practice'], 'Coats to learn on: no dog pays for a mistake.', [
    'Climb the ladder, draw any coat, or take one of your own.',
    'Questions come back when you are about to forget them.',
  ]),
  page(
    'coat',
    'A practice coat',
    ['/desk/practice/:caseId'],
    'A coat whose grades are hidden until you feel them.',
    [
      'Feel first. Then choose places, a tool, how much, and do it.',
      'Watch the dog: it shifts, lies down, and in the end moves away.',
      'At the end your stair lies against the best one, with what cost most and why.',
    ],
    'The coat answers by the same model as every plan.',
  ),
  page('drills', 'Asked again', ['/desk/practice/drills'], 'Short questions on rules, tools, conditions and order.', [
    'Answer by number key or tap. Right ones wait longer.',
  ]),
  page(
    'kit',
    'Kit',
    ['/desk/kit', '/desk/kit/new', '/desk/kit/:toolId'],
    'What hangs on the wall, how worn it is, and what it lacks.',
    [
      'Give pins and widths where you can: reach decides.',
      'Write sharpening and disinfecting down; what is due is told.',
    ],
  ),
  page('rules', 'Rules', ['/desk/rules'], 'The rules of the trade: what may touch which zone of which coat, and why.', [
    'Stop and never forbid; mind puts a caution beside the step; rather moves a tool up.',
  ]),
  page('house', 'House rules', ['/desk/house'], 'Your side where the trade disagrees, your rates and hours.', [
    'Each side has its reason; what it would change is shown before you take it.',
  ]),
  page('you', 'Your own settings', ['/desk/you'], 'Passphrase, PIN, and how this device shows things.', [
    'Large letters, high contrast, units and dates are kept on this device.',
  ]),
  page('keys', 'Keys', ['/desk/keys'], 'Who may come in, and on which devices.', [
    'Take a device out when it is lost.',
  ]),
  page('safe', 'Safe', ['/desk/safe'], 'Backups, and everything taken out as files.', [
    'A backup is looked through before it counts.',
    'Going back is done on the salon’s computer.',
  ]),
  page('changes', 'Changes', ['/desk/changes'], 'Who changed what, and when.', [
    'Open a line to see it field by field.',
  ]),
  page('intake', 'Bring clients in', ['/desk/intake'], 'Clients from any table that was saved as CSV.', [
    'Columns are guessed and can be put right; nothing is written before you say so.',
    'What came in can be taken out again.',
  ]),
  page('table', 'Table', ['/table'], 'Today’s dogs for wet hands.', ['Tap a dog to begin.']),
  page('session', 'At the table', ['/table/sessions/:sessionId'], 'One decision a screen, for wet thumbs.', [
    'Tap where your hands are; the record writes itself.',
    'Hair is weighed as it comes. Met something new? Say so, and the plan is made anew.',
    'Without a link everything is kept on the tablet and sent later.',
  ]),
  page('wall', 'Wall', ['/table/wall'], 'The day for all to see from across the room.', [
    'It keeps itself up to date.',
  ]),
  page('devices', 'Scale and meters', ['/table/devices'], 'What scale, sound meter and room sensor say.', [
    'Tare with the bowl on it.',
  ]),
  page(
    'home',
    'Home',
    ['/home', '/home/:dogId', '/home/:dogId/visits/:sessionId'],
    'What owners see: the week’s pegs, the card for the fridge, the last visit.',
    ['Print the card, or send the link.'],
  ),
];

/** The page of an address; undefined where there is none. */
export function helpFor(pathname: string): HelpPage | undefined {
  const parts = pathname.split('/');
  const fits = (pattern: string): boolean => {
    const own = pattern.split('/');
    return own.length === parts.length && own.every((p, i) => p.startsWith(':') || p === parts[i]);
  };
  // A room by its own name goes before one that takes any.
  const all = HELP_PAGES.flatMap((p) => p.at.filter(fits).map((a) => ({ p, open: a.split(':').length })));
  return all.sort((a, b) => a.open - b.open)[0]?.p;
}
