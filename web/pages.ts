/**
 * Every page of the house, a row each: its address, what it is called, where it hangs, who may open it, words to find it by, its
 * code, what it asks first, and its help. Routes, menus, finder, help and the tests of all pages read this list.
 */
import type { ComponentType } from 'react';
import { matchRoutes, type Params } from 'react-router';
import type { Role } from '../contract/account.ts';
import {
  benchCasesQuery,
  benchQuery,
  bookingsQuery,
  yearsQuery,
  callsQuery,
  dayQuery,
  dogQuery,
  dogsQuery,
  holdsQuery,
  kitQuery,
  ledgerQuery,
  productsQuery,
  reportsQuery,
  salonQuery,
  sessionsQuery,
  sheetQuery,
  tideLearntQuery,
  tideQuery,
} from './data/hooks.ts';
import { practiceQuery } from './data/practice.ts';
import { prefetch } from './data/queries.ts';

/** What a page is for, what to do there, and why it is so. */
export interface HelpText {
  readonly what: string;
  readonly how: readonly string[];
  readonly why?: string;
}

/** A page in one of its states, which the finder offers by itself. */
export interface PageView {
  /** Of the address, after its question mark. */
  readonly search: string;
  readonly title: string;
  readonly find: string;
}

export interface Page {
  /** `:x` stands for any one part. */
  readonly path: string;
  readonly title: string;
  /** In the row of its place, behind “Salon”, or under the name of who is in; found by the finder alone where it is not said. */
  readonly menu?: 'row' | 'salon' | 'name';
  /** What the tabs of its room call it, where several pages share a room. */
  readonly tab?: { readonly of: 'calendar' | 'reports'; readonly word: string };
  /** What a menu calls it, where that says more than the title. */
  readonly label?: string;
  /** Who may open it; all where it is not said. */
  readonly roles?: readonly Role[];
  /** Further words by which it is found. */
  readonly find?: string;
  /** Fetched when the page is first opened. */
  readonly code: () => Promise<ComponentType>;
  /** Asks what the page needs first, by the ids in its address: on its way beside the code. */
  readonly asks?: (params: Params) => void;
  readonly views?: readonly PageView[];
  readonly help?: HelpText;
}

const CRAFT: readonly Role[] = ['owner', 'groomer'];
const FRONT: readonly Role[] = ['owner', 'groomer', 'desk'];
const OWNER: readonly Role[] = ['owner'];

const askTide = (): void => {
  prefetch(tideQuery);
  prefetch(tideLearntQuery);
};

const DOG_FACTS_HELP: HelpText = {
  what: 'What is known before anyone touches it.',
  how: [
    'A breed fills in class, weight and shape; put right what is not so.',
    'Traits are a rule’s handle: head-shy, senior, show coat.',
  ],
};
const KIT_HELP: HelpText = {
  what: 'What hangs on the wall, how worn it is, and what it lacks.',
  how: [
    'Give pins and widths where you can: reach decides.',
    'Write sharpening and disinfecting down; what is due is told.',
  ],
};
const HOME_HELP: HelpText = {
  what: 'What owners see: the week’s pegs, the card for the fridge, the last visit.',
  how: ['Print the card, or send the link.'],
};

export const PAGES: readonly Page[] = [
  {
    path: '/desk/today',
    title: 'Today',
    menu: 'row',
    find: 'now next late call ring owners reports found homes overdue',
    code: () => import('./desk/today/TodayRoom.tsx').then((m) => m.TodayRoom),
    asks: () => {
      prefetch(sheetQuery(undefined));
      prefetch(dayQuery);
      prefetch(reportsQuery);
      askTide();
    },
    help: {
      what: 'Who is here, at what stage, and who is next; whom to ring; what owners found.',
      how: [
        'Each dog has its next act beside it: check the coat, begin a stage, end it.',
        'Ring from the top. Two dates stand ready to offer; one tap books the one they take.',
        'What an owner found at home waits here until you have answered it.',
      ],
      why: 'One page to open in the morning and to leave open all day.',
    },
  },
  {
    path: '/desk/today/tub',
    title: 'Tub, noise and stock',
    find: 'dilution shampoo noise stock drying',
    code: () => import('./desk/tub/TubRoom.tsx').then((m) => m.TubRoom),
    asks: () => {
      prefetch(dayQuery);
      prefetch(productsQuery);
      prefetch(salonQuery);
    },
    help: {
      what: 'Dilution, drying, noise and stock for the day’s dogs.',
      how: [
        'Give the bottle’s ratio and the litres: it says what to pour.',
        'Noise is counted by three published rules side by side.',
      ],
      why: 'Hearing that is gone does not come back.',
    },
  },
  {
    path: '/desk/dogs',
    title: 'Dogs',
    menu: 'row',
    find: 'clients owners list need',
    code: () => import('./desk/dogs/DogsRoom.tsx').then((m) => m.DogsRoom),
    asks: () => prefetch(dogsQuery),
    help: {
      what: 'Who most needs a visit, first, with the one reason.',
      how: [
        'Find by a part of a dog’s or owner’s name; dogs that rest are found too.',
        'Ahead lists the same by week.',
      ],
    },
  },
  {
    path: '/desk/dogs/:dogId',
    title: 'A dog',
    code: () => import('./desk/dog/DogRoom.tsx').then((m) => m.DogRoom),
    asks: ({ dogId = '' }) => {
      prefetch(dogQuery(dogId));
      prefetch(salonQuery);
    },
    help: {
      what: 'One dog: its coat as last felt, visits, dates, home.',
      how: ['Feel the coat, and the plan follows.', 'The map shows what was found where; each zone can be asked.'],
    },
  },
  {
    path: '/desk/dogs/:dogId/edit',
    title: 'A dog’s facts',
    code: () => import('./desk/dog/DogForm.tsx').then((m) => m.DogForm),
    help: DOG_FACTS_HELP,
  },
  {
    path: '/desk/dogs/:dogId/tide',
    title: 'A dog’s tide',
    code: () => import('./desk/tide/DogTideRoom.tsx').then((m) => m.DogTideRoom),
    help: {
      what: 'What is known of one coat’s year, and what that rests on.',
      how: [
        'Write down what the home saw: it counts as much as a visit.',
        'Try what moving indoors, a skipped visit or daily brushing would do.',
      ],
      why: 'Each year that was logged lies over the others; the band is how far they disagree.',
    },
  },
  {
    path: '/desk/dogs/:dogId/home',
    title: 'A dog’s home',
    code: () => import('./desk/home/HomePlanRoom.tsx').then((m) => m.HomePlanRoom),
    help: {
      what: 'Which parts on which days, for so many minutes.',
      how: [
        'Make a link for the owner: their phone shows today’s part, and nothing else.',
        'What is missed slides to the next day.',
      ],
    },
  },
  {
    path: '/desk/dogs/:dogId/check',
    title: 'Coat check',
    code: () => import('./desk/check/CheckRoom.tsx').then((m) => m.CheckRoom),
    asks: ({ dogId = '' }) => prefetch(dogQuery(dogId)),
    help: {
      what: 'Five touch tests in each zone, before any water.',
      how: [
        'Choose a grade, then draw it over the zones that feel so; or go zone by zone.',
        'A zone nobody felt borrows from its mirror, and says so.',
        'What contradicts itself is asked about.',
      ],
      why: 'Packed read as matted is the costliest mistake: people shave what only needed water and air.',
    },
  },
  {
    path: '/desk/dogs/:dogId/next',
    title: 'Next date',
    code: () => import('./desk/next/NextRoom.tsx').then((m) => m.NextRoom),
    help: {
      what: 'When this dog should come again, and why.',
      how: ['Hold a time, send it as a calendar file, or write it down.'],
    },
  },
  {
    path: '/desk/dogs/:dogId/plan/:checkId',
    title: 'Plan',
    code: () => import('./desk/plan/PlanRoom.tsx').then((m) => m.PlanRoom),
    asks: ({ dogId = '', checkId = '' }) => {
      prefetch(benchQuery(checkId));
      prefetch(dogQuery(dogId));
      prefetch(salonQuery);
    },
    help: {
      what: 'Every school tried on this dog, the one that suits it, and why.',
      how: [
        'Drag steps and edges on the stairs; faults show at once, with what mends them.',
        'Ask a zone why its tool was chosen, and what it beat.',
        'What if: another dryer, a helper, fewer minutes.',
      ],
    },
  },
  {
    path: '/desk/dogs/:dogId/note/:checkId',
    title: 'Note for owner and vet',
    code: () => import('./desk/note/NoteRoom.tsx').then((m) => m.NoteRoom),
  },
  {
    path: '/desk/dogs/:dogId/sheet/:checkId',
    title: 'Bench sheet',
    code: () => import('./desk/bench-sheet/BenchSheetRoom.tsx').then((m) => m.BenchSheetRoom),
  },
  {
    path: '/desk/vet',
    title: 'For the vet',
    roles: FRONT,
    find: 'hold lump wound hot spot lame waits stop',
    code: () => import('./desk/vet/VetRoom.tsx').then((m) => m.VetRoom),
    asks: () => prefetch(holdsQuery),
    help: {
      what: 'Every dog of which something waits for a vet: found at a check, at the table or at home.',
      how: ['Ring and ask how it went; write down what the vet has said, and what may be done.'],
      why: 'Nothing is worked there and nobody is invited until a vet has seen it, or a later check finds it clear.',
    },
  },
  {
    path: '/desk/calendar/day',
    title: 'The day',
    label: 'Calendar: the day',
    tab: { of: 'calendar', word: 'Day' },
    find: 'sheet day schedule tub dryers lanes thursday',
    code: () => import('./desk/sheet/DaySheetRoom.tsx').then((m) => m.DaySheetRoom),
    asks: () => {
      prefetch(sheetQuery(undefined));
      prefetch(salonQuery);
    },
    help: {
      what: 'One day laid out on tub, dryers, tables and hands.',
      how: [
        'Pin what must stay; the rest is laid around it.',
        'Mark a stage as begun or done and the rest of the day follows.',
      ],
    },
  },
  {
    path: '/desk/calendar',
    title: 'Calendar',
    menu: 'row',
    tab: { of: 'calendar', word: 'Weeks' },
    find: 'book year weeks months appointments optimise plan visits call',
    code: () => import('./desk/book/BookRoom.tsx').then((m) => m.BookRoom),
    asks: () => {
      askTide();
      prefetch(salonQuery);
      prefetch(bookingsQuery);
      prefetch(callsQuery);
    },
    help: {
      what: 'The year’s visits, placed so that coats do not fill and weeks do not overflow.',
      how: [
        'Take proposals one by one or by the week; what was agreed is never moved.',
        'Drag a visit, or pick it up by keyboard, to see what another day would cost.',
        'Say who is away: what must move is proposed, never done unasked.',
      ],
    },
  },
  {
    path: '/desk/calendar/list',
    title: 'Coming visits',
    label: 'Calendar: coming visits',
    tab: { of: 'calendar', word: 'List' },
    find: 'ahead appointments list booked next',
    code: () => import('./desk/coming/ComingRoom.tsx').then((m) => m.ComingRoom),
    help: {
      what: 'Every visit that is booked, day by day.',
      how: ['Open a dog to move or cancel its visit.'],
    },
  },
  {
    path: '/desk/calendar/what-if',
    title: 'What if',
    tab: { of: 'calendar', word: 'What if' },
    label: 'A year with another room',
    find: 'hire second tub dryer mondays more dogs overtime income',
    code: () => import('./desk/book/WhatIfYearRoom.tsx').then((m) => m.WhatIfYearRoom),
    asks: () => {
      askTide();
      prefetch(salonQuery);
      prefetch(yearsQuery);
    },
    help: {
      what: 'A year planned with one more person, an open day, a stronger dryer, more dogs or homes that brush.',
      how: [
        'Say what would change: the year is planned again, beside the one you have.',
        'Keep a year under a name to set another beside it.',
      ],
      why: 'Before somebody is hired, it is good to know what their days would be filled with.',
    },
  },
  {
    path: '/desk/calendar/new',
    title: 'Book a visit',
    roles: FRONT,
    find: 'new appointment walk-in client nails puppy',
    code: () => import('./desk/visit/BookVisitRoom.tsx').then((m) => m.BookVisitRoom),
    asks: () => {
      prefetch(dogsQuery);
      prefetch(salonQuery);
    },
    help: {
      what: 'A visit for any dog or a new client, at any day and time.',
      how: [
        'Type a part of the name, or take in a new client by name, breed and number.',
        'Free times suit the owner, the people at work and the tables; any other time can be typed.',
        'The length comes from the coat, or from what such dogs usually take.',
      ],
    },
  },
  {
    path: '/desk/calendar/ill',
    title: 'Somebody is ill',
    label: 'Somebody is ill: what moves',
    roles: FRONT,
    find: 'sick away absent today',
    code: () => import('./desk/ill/IllRoom.tsx').then((m) => m.IllRoom),
    asks: () => {
      prefetch(dogsQuery);
      prefetch(sheetQuery(undefined));
    },
    help: {
      what: 'Which visits are touched when somebody is ill, whom to ring in which order, and what to offer.',
      how: [
        'Tap who is ill: it is written down, and the day is laid without them.',
        'Ring from the top. A visit moves only when you tap what its owner said yes to.',
      ],
    },
  },
  {
    path: '/desk/calendar/visits/:bookingId',
    title: 'A visit',
    code: () => import('./desk/visit/VisitRoom.tsx').then((m) => m.VisitRoom),
    asks: () => {
      prefetch(bookingsQuery);
      prefetch(salonQuery);
    },
    help: {
      what: 'One visit that is booked.',
      how: [
        'Move it to another day or time, or cancel it and say why.',
        'After a cancellation you see who could come instead.',
      ],
    },
  },
  {
    path: '/desk/tide',
    title: 'Tide',
    menu: 'row',
    find: 'forecast year blow caseload call',
    code: () => import('./desk/tide/TideRoom.tsx').then((m) => m.TideRoom),
    asks: () => {
      askTide();
      prefetch(salonQuery);
    },
    help: {
      what: 'The year of all dogs: when coats will blow, how much hair that is, and whether your hours can carry it.',
      how: [
        'The sea is the work that is coming, the wall your hours; where it tops the wall, somebody waits.',
        'Under “Whom to call” stand dogs whose coat fills before their date.',
        'Choose a dog to see its own wave over the sea.',
      ],
      why: 'Light moves the coat, warmth shifts it by days, and every visit logged narrows the band.',
    },
  },
  {
    path: '/desk/reports',
    title: 'Reports',
    menu: 'row',
    tab: { of: 'reports', word: 'Sums' },
    roles: CRAFT,
    find: 'tally charts statistics income takings month grams minutes',
    code: () => import('./desk/tally/TallyRoom.tsx').then((m) => m.TallyRoom),
    asks: () => prefetch(ledgerQuery),
    views: [
      { search: 'view=takings', title: 'Takings of a month', find: 'income earned took money' },
      { search: 'view=taught', title: 'What the log has taught', find: 'pace yield' },
    ],
    help: {
      what: 'What your own log adds up to, and what it has taught.',
      how: [
        'Choose what to count, by what, of which visits.',
        'Every drawing can be a table, and taken along as SVG, PNG or CSV.',
        '“Since last year” says only what could hardly be chance.',
      ],
    },
  },
  {
    path: '/desk/reports/forecasts',
    title: 'How good are we',
    tab: { of: 'reports', word: 'Forecasts checked' },
    find: 'calibration errors forecasts',
    code: () => import('./desk/tide/HonestRoom.tsx').then((m) => m.HonestRoom),
    help: {
      what: 'Every past forecast against what happened.',
      how: ['Dots on the dotted line: bands keep their word. Below it they are too narrow.'],
      why: 'A forecast that hides its misses is worth nothing at a booking.',
    },
  },
  {
    path: '/desk/reports/plans',
    title: 'Plans for all dogs',
    tab: { of: 'reports', word: 'Plans for all dogs' },
    find: 'bench methods what if dryer',
    code: () => import('./desk/bench/BenchRoom.tsx').then((m) => m.BenchRoom),
    help: {
      what: 'All dogs of the book as they would be worked today.',
      how: ['Change the room above to see what a purchase or a helper would change for all of them.'],
    },
  },
  {
    path: '/desk/practice',
    title: 'Practice',
    menu: 'row',
    find: 'train learn drills simulator',
    code: () => import('./desk/practice/PracticeRoom.tsx').then((m) => m.PracticeRoom),
    asks: () => {
      prefetch(practiceQuery);
      prefetch(benchCasesQuery);
    },
    help: {
      what: 'Coats to learn on: no dog pays for a mistake.',
      how: [
        'Climb the ladder, draw any coat, or take one of your own.',
        'Questions come back when you are about to forget them.',
      ],
    },
  },
  {
    path: '/desk/practice/:caseId',
    title: 'A practice coat',
    code: () => import('./desk/practice/CoatRoom.tsx').then((m) => m.CoatRoom),
    help: {
      what: 'A coat whose grades are hidden until you feel them.',
      how: [
        'Feel first. Then choose places, a tool, how much, and do it.',
        'Watch the dog: it shifts, lies down, and in the end moves away.',
        'At the end your stair lies against the best one, with what cost most and why.',
      ],
      why: 'The coat answers by the same model as every plan.',
    },
  },
  {
    path: '/desk/kit',
    title: 'Tools',
    menu: 'salon',
    find: 'kit wall wear sharpen buy',
    code: () => import('./desk/kit/KitRoom.tsx').then((m) => m.KitRoom),
    asks: () => {
      prefetch(kitQuery);
      prefetch(dogsQuery);
    },
    help: KIT_HELP,
  },
  {
    path: '/desk/kit/:toolId',
    title: 'A tool',
    code: () => import('./desk/kit/ToolForm.tsx').then((m) => m.ToolForm),
    help: KIT_HELP,
  },
  {
    path: '/desk/rules',
    title: 'Rules',
    menu: 'salon',
    find: 'forbidden cautions why',
    code: () => import('./desk/rules/RulesRoom.tsx').then((m) => m.RulesRoom),
    help: {
      what: 'The rules of the trade: what may touch which zone of which coat, and why.',
      how: ['Stop and never forbid; mind puts a caution beside the step; rather moves a tool up.'],
    },
  },
  {
    path: '/desk/house',
    title: 'Hours, prices, preferences',
    menu: 'salon',
    find: 'house rules settings rates hours quarrels prices',
    code: () => import('./desk/house/HouseRoom.tsx').then((m) => m.HouseRoom),
    help: {
      what: 'Your side where the trade disagrees, your rates and hours.',
      how: ['Each side has its reason; what it would change is shown before you take it.'],
    },
  },
  {
    path: '/desk/staff',
    title: 'People',
    menu: 'salon',
    find: 'staff roster away holidays',
    code: () => import('./desk/staff/StaffRoom.tsx').then((m) => m.StaffRoom),
    help: {
      what: 'Who works when, and what each may do.',
      how: ['Days off and closed days stand here too.', 'Dogs that must not meet are kept apart in time.'],
    },
  },
  {
    path: '/desk/post',
    title: 'Messages sent',
    menu: 'salon',
    find: 'reminders mail outbox',
    code: () => import('./desk/home/PostRoom.tsx').then((m) => m.PostRoom),
    help: {
      what: 'What each household asked to be told, and what was sent.',
      how: ['Nothing is sent to who did not ask. STOP ends it.'],
    },
  },
  {
    path: '/desk/start',
    title: 'First steps',
    menu: 'salon',
    find: 'setup begin guide',
    code: () => import('./desk/start/StartRoom.tsx').then((m) => m.StartRoom),
    help: {
      what: 'What a new salon needs before its first dog.',
      how: [
        'Go from stone to stone; each is saved as you leave it.',
        'Leave it when you like: what is done is read from the salon itself.',
      ],
    },
  },
  {
    path: '/desk/help',
    title: 'Help and words',
    menu: 'salon',
    find: 'glossary manual',
    code: () => import('./help/HelpRoom.tsx').then((m) => m.HelpRoom),
  },
  {
    path: '/desk/help/grades',
    title: 'The grades of touch',
    find: 'finger tug comb tied skin scale check meaning',
    code: () => import('./help/GradesRoom.tsx').then((m) => m.GradesRoom),
    help: {
      what: 'What each word of a coat check means, and how it is drawn.',
      how: ['Check, record, chart and table say the same words.'],
    },
  },
  {
    path: '/desk/you',
    title: 'Your own settings',
    menu: 'name',
    label: 'Your settings',
    find: 'passphrase PIN units contrast large text language',
    code: () => import('./desk/keys/YouRoom.tsx').then((m) => m.YouRoom),
    help: {
      what: 'Passphrase, PIN, and how this device shows things.',
      how: ['Large letters, high contrast, units and dates are kept on this device.'],
    },
  },
  {
    path: '/desk/intake',
    title: 'Import clients',
    menu: 'salon',
    roles: FRONT,
    find: 'import CSV',
    code: () => import('./desk/intake/IntakeRoom.tsx').then((m) => m.IntakeRoom),
    help: {
      what: 'Clients from any table that was saved as CSV.',
      how: [
        'Columns are guessed and can be put right; nothing is written before you say so.',
        'What came in can be taken out again.',
      ],
    },
  },
  {
    path: '/desk/keys',
    title: 'Logins',
    menu: 'salon',
    roles: OWNER,
    find: 'accounts roles users',
    code: () => import('./desk/keys/KeysRoom.tsx').then((m) => m.KeysRoom),
    help: {
      what: 'Who may come in, and on which devices.',
      how: ['Take a device out when it is lost.'],
    },
  },
  {
    path: '/desk/safe',
    title: 'Backups and export',
    menu: 'salon',
    roles: OWNER,
    find: 'export archive restore',
    code: () => import('./desk/safe/SafeRoom.tsx').then((m) => m.SafeRoom),
    help: {
      what: 'Backups, and everything taken out as files.',
      how: ['A backup is looked through before it counts.', 'Going back is done on the salon’s computer.'],
    },
  },
  {
    path: '/desk/changes',
    title: 'Who changed what',
    menu: 'salon',
    roles: OWNER,
    find: 'trail audit history',
    code: () => import('./desk/safe/ChangesRoom.tsx').then((m) => m.ChangesRoom),
    help: {
      what: 'Who changed what, and when.',
      how: ['Open a line to see it field by field.'],
    },
  },
  {
    path: '/desk/dogs/new',
    title: 'New dog',
    roles: FRONT,
    find: 'add client',
    code: () => import('./desk/dog/DogForm.tsx').then((m) => m.DogForm),
    help: DOG_FACTS_HELP,
  },
  {
    path: '/desk/kit/new',
    title: 'New tool',
    roles: CRAFT,
    find: 'add tool',
    code: () => import('./desk/kit/ToolForm.tsx').then((m) => m.ToolForm),
    help: KIT_HELP,
  },
  {
    path: '/desk/practice/drills',
    title: 'Asked again',
    label: 'Questions asked again',
    find: 'drills quiz',
    code: () => import('./desk/practice/DrillRoom.tsx').then((m) => m.DrillRoom),
    help: {
      what: 'Short questions on rules, tools, conditions and order.',
      how: ['Answer by number key or tap. Right ones wait longer.'],
    },
  },
  {
    path: '/table',
    title: 'Table',
    find: 'sessions today start',
    code: () => import('./table/start/TableRoom.tsx').then((m) => m.TableRoom),
    asks: () => {
      prefetch(sessionsQuery);
      prefetch(sheetQuery(undefined));
    },
    help: {
      what: 'Today’s dogs in their order, each with its next act.',
      how: [
        'Feel the coat, choose how to work, go on, finish: the next act stands beside each dog.',
        'Somebody walks in: take them in from here.',
      ],
    },
  },
  {
    path: '/table/dogs/:dogId/check',
    title: 'Coat check at the table',
    code: () => import('./desk/check/CheckRoom.tsx').then((m) => m.CheckRoom),
    asks: ({ dogId = '' }) => prefetch(dogQuery(dogId)),
    help: {
      what: 'The coat check, for wet thumbs.',
      how: ['Choose a grade, then draw it over the zones that feel so.', 'Save, and you choose how to work.'],
    },
  },
  {
    path: '/table/dogs/:dogId/plan/:checkId',
    title: 'How to work today',
    code: () => import('./table/start/WaysRoom.tsx').then((m) => m.WaysRoom),
    asks: ({ dogId = '', checkId = '' }) => {
      prefetch(benchQuery(checkId));
      prefetch(dogQuery(dogId));
      prefetch(salonQuery);
    },
    help: {
      what: 'Three ways at most to work this dog today: minutes, price, hair left.',
      how: ['Tap one to begin. The first suits this dog best.', 'The whole plan, with its reasons, is at the Desk.'],
    },
  },
  {
    path: '/table/sessions/:sessionId',
    title: 'At the table',
    code: () => import('./table/session/SessionRoom.tsx').then((m) => m.SessionRoom),
    help: {
      what: 'One decision a screen, for wet thumbs.',
      how: [
        'Tap where your hands are; the record writes itself.',
        'Hair is weighed as it comes. Met something new? Say so, and the plan is made anew.',
        'Without a link everything is kept on the tablet and sent later.',
      ],
    },
  },
  {
    path: '/table/wall',
    title: 'Wall',
    menu: 'row',
    find: 'screen board',
    code: () => import('./table/wall/WallRoom.tsx').then((m) => m.WallRoom),
    help: {
      what: 'The day for all to see from across the room.',
      how: ['It keeps itself up to date.'],
    },
  },
  {
    path: '/table/devices',
    title: 'Scale and meters',
    menu: 'row',
    find: 'tare sound sensor',
    code: () => import('./table/devices/DevicesRoom.tsx').then((m) => m.DevicesRoom),
    help: {
      what: 'What scale, sound meter and room sensor say.',
      how: ['Tare with the bowl on it.'],
    },
  },
  {
    path: '/home/:dogId',
    title: 'Home card',
    code: () => import('./home/card/CardRoom.tsx').then((m) => m.CardRoom),
    help: HOME_HELP,
  },
  {
    path: '/home/:dogId/visits/:sessionId',
    title: 'A visit, for the owner',
    code: () => import('./home/visit/VisitRoom.tsx').then((m) => m.VisitRoom),
    help: HOME_HELP,
  },
];

/** The page at an address; one that names it before one that takes any. */
export const pageAt = (pathname: string): Page | undefined => matchRoutes([...PAGES], pathname)?.[0]?.route;

/** The pages that somebody may open, in their order. */
export const pagesFor = (role: Role): readonly Page[] => PAGES.filter(({ roles }) => !roles || roles.includes(role));

/** What a menu or the finder calls a page. */
export const labelOf = ({ label, title }: Page): string => label ?? title;

/** Can a page be opened by its address alone, or does that name a dog, a check or the like. */
export const isWhole = ({ path }: Pick<Page, 'path'>): boolean => !path.includes(':');

/** Where a page was once, and where it is now: it may stand on a home screen. */
export const MOVED: Readonly<Record<string, string>> = {
  '/': '/desk/today',
  '/desk': '/desk/today',
  '/desk/day': '/desk/today',
  '/desk/homes': '/desk/today',
  '/desk/book': '/desk/calendar',
  '/desk/book/what-if': '/desk/calendar/what-if',
  '/desk/sheet': '/desk/calendar/day',
  '/desk/ahead': '/desk/calendar/list',
  '/desk/tally': '/desk/reports',
  '/desk/tide/honest': '/desk/reports/forecasts',
  '/desk/bench': '/desk/reports/plans',
  '/home': '/desk/dogs',
};
