/** A question with its answers, one of them right, and why. */
export interface Question {
  ask: string;
  answers: readonly [string, string, string];
  /** Place of the right one. */
  right: 0 | 1 | 2;
  why: string;
}

/** One idea of the trade: what to think of first, what to move, and what to know afterwards. */
export interface LessonText {
  title: string;
  idea: readonly string[];
  predict: Question;
  /** What to move, and how far. */
  move: string;
  check: Question;
}

/** The lessons, in the order of the trade. */
export const lessonTexts = {
  'reading-a-tape': {
    title: 'Reading a tape',
    idea: [
      'A height is read straight up, from the middle of the axle to the lip of the arch above it.',
      'A tape that leans shows too much. An eye that is too high sees the lip against a lower mark.',
    ],
    predict: {
      ask: 'Your eye is 200 mm above the lip. By how much is the reading off?',
      answers: ['Not at all', 'About 7 mm', 'About 70 mm'],
      right: 1,
      why: 'The tape stands 18 mm off the lip. From above, the lip is seen against a mark below it.',
    },
    move: 'Bring end, top and eye to where they belong, until the tape is right to half a millimetre.',
    check: {
      ask: 'You read the same point twice and get 362 and 368. What now?',
      answers: ['Write down 365', 'Look where end and eye were, and read again', 'Take the higher one'],
      right: 1,
      why: 'Two readings of one thing that far apart mean that one was held wrong. A mean of them hides it.',
    },
  },
  'settle-before-you-read': {
    title: 'Settle before you read',
    idea: [
      'Joints, bushes and seals hold a machine where they last moved it.',
      'Let down from a jack, every wheel comes in from hanging: the machine stands too high until it has rolled.',
    ],
    predict: {
      ask: 'Friction holds up to 6 mm. Just let down, by how much does it stand too high?',
      answers: ['About 6 mm', 'About 3 mm', 'It stands right'],
      right: 0,
      why: 'Nothing has moved it past the place where friction caught it, so it holds with all it has.',
    },
    move: 'Roll it and bounce it, until what is left is under 2 mm.',
    check: {
      ask: 'One corner reads 5 mm high and the car was just let down. What comes first?',
      answers: ['Turn that corner down', 'Roll it, bounce it and read again', 'Turn the other three up'],
      right: 1,
      why: 'A turn made for what friction holds is wrong as soon as the car has moved.',
    },
  },
  'which-adjuster': {
    title: 'Which adjuster does what',
    idea: [
      'A spring seat moves the body on its spring: the wheel uses less of its travel when the body goes up.',
      'A lower mount makes the whole damper longer: the body goes up, and the travel used stays as it was.',
    ],
    predict: {
      ask: 'The lower mount is screwed out by 20 mm. How much travel does the wheel use afterwards?',
      answers: ['Less', 'As much as before', 'More'],
      right: 1,
      why: 'The spring carries the same load at the same length. Only where the damper ends has changed.',
    },
    move: 'Raise the body by 20 mm or more with the lower mount alone. Then look at the droop that is left.',
    check: {
      ask: 'A car stands 20 mm low and has plenty of bump travel. Which adjuster keeps its droop?',
      answers: ['The spring seat', 'The lower mount', 'Either'],
      right: 1,
      why: 'The seat would use up droop to raise it. The mount leaves both ends of the travel as they are.',
    },
  },
  'preload-is-not-stiffness': {
    title: 'Preload is not stiffness',
    idea: [
      'Winding the collar presses the spring together only while the wheel hangs.',
      'On the ground the load sets how long the spring is. More preload raises the body, and that is all.',
    ],
    predict: {
      ask: 'The collar goes 10 mm towards the spring. What happens to the spring, standing on the ground?',
      answers: ['It gets shorter', 'It stays as long as it was', 'It gets stiffer'],
      right: 1,
      why: 'The same load on the same spring gives the same length. The body went up instead.',
    },
    move: 'Wind the collar by 10 mm or more and watch spring length and rate.',
    check: {
      ask: 'Pressed by hand it feels harder after winding the collar. Why?',
      answers: ['The spring is stiffer', 'There is less droop for it to fall into', 'The damper is closed'],
      right: 1,
      why: 'The rate is the same. What has changed is how much travel is left each way.',
    },
  },
  'motion-ratio': {
    title: 'Motion ratio',
    idea: [
      'A damper that sits inside the wheel moves less than the wheel. The ratio is damper travel for wheel travel.',
      'One mm of collar raises the wheel’s corner by one over the ratio.',
    ],
    predict: {
      ask: 'The ratio is 0.5. How far does 10 mm of collar raise the corner?',
      answers: ['5 mm', '10 mm', '20 mm'],
      right: 2,
      why: 'Ten over a half is twenty. The wheel goes twice as far as the damper.',
    },
    move: 'Leave the collar at 10 mm and bring the ratio down to 0.5.',
    check: {
      ask: 'A corner rose 16 mm for 10 mm of collar. What is its ratio?',
      answers: ['About 0.6', 'About 1.6', 'It cannot be told'],
      right: 0,
      why: 'Ten over sixteen is 0.63. Its own last move tells it better than any table.',
    },
  },
  'rigid-body': {
    title: 'One corner moves three others',
    idea: [
      'The body is stiff: raise one corner and it leans on the other three.',
      'On equal springs one seat gives three quarters there, a quarter at two others, and takes a quarter away across.',
    ],
    predict: {
      ask: 'The front left seat goes up by 20 mm at the wheel. What does the rear right corner do?',
      answers: ['It stays', 'It rises by 5 mm', 'It goes down by 5 mm'],
      right: 2,
      why: 'The body tips over the line of the two other corners: across, it goes down.',
    },
    move: 'Raise the front left seat by 20 mm and look at all four.',
    check: {
      ask: 'Front left is to come up by 15 mm and the others are to stay. Can its own seat do that alone?',
      answers: ['Yes', 'No: the others move with it', 'Only with the bar on'],
      right: 1,
      why: 'Its own seat gives three quarters there, and moves the other three. All four seats share in it.',
    },
  },
  'cross-weight': {
    title: 'Cross weight',
    idea: [
      'Four seats move three heights and one more thing: how much weight the two diagonals share.',
      'Raise one diagonal and lower the other by as much, and no height changes, only the weights.',
    ],
    predict: {
      ask: 'Front left and rear right go up by 5 mm, the other two go down by 5. What do the heights do?',
      answers: ['All stay', 'The front rises', 'The left side rises'],
      right: 0,
      why: 'It cancels out at every corner. Weight has moved to the diagonal that was raised.',
    },
    move: 'Bring the cross weight to 50 % within a tenth, with every height within 1 mm.',
    check: {
      ask: 'All heights are right and a front wheel locks first in braking. What may be off?',
      answers: ['The tape', 'Cross weight', 'Tyre size'],
      right: 1,
      why: 'Heights alone do not show it. It takes scales, or collar readings that differ side to side.',
    },
  },
  'droop-and-bump': {
    title: 'Droop and bump',
    idea: [
      'A wheel has so much travel. What it uses standing is split: droop left for holes, bump left for bumps.',
      'Raising the body with the seat takes from droop and gives to bump. Load does the reverse.',
    ],
    predict: {
      ask: 'Two people and luggage get in. What is left of the bump travel?',
      answers: ['More', 'Less', 'The same'],
      right: 1,
      why: 'The wheel goes in under the load. What it uses is taken from bump.',
    },
    move: 'With 120 kg more aboard, wind the seat until 60 mm of bump are left.',
    check: {
      ask: 'A car is raised 40 mm by its seats and tops out over every rise. Why?',
      answers: ['Too little droop is left', 'The dampers are worn', 'The springs are too soft'],
      right: 0,
      why: 'The wheel has nowhere to fall. The height was bought with droop.',
    },
  },
  'springs-and-rings': {
    title: 'Springs one on another, and rings',
    idea: [
      'Two springs in a row share one force, so together they are softer than either.',
      'A ring stops the slider between them: from there on the firm spring works alone.',
    ],
    predict: {
      ask: 'Springs of 30 and 60 N/mm stand one on the other. How stiff are they together?',
      answers: ['20 N/mm', '45 N/mm', '90 N/mm'],
      right: 0,
      why: 'Each gives way by itself, and that adds up: 30 times 60 over 90.',
    },
    move: 'Move the ring until the firm spring takes over 40 mm of damper travel beyond ride height.',
    check: {
      ask: 'It bottoms on big hits and rides well otherwise. Which way goes the ring?',
      answers: ['Closer, so that it takes over sooner', 'Further away', 'Take it off'],
      right: 0,
      why: 'The firm rate then begins sooner, and more is held back before the end of the travel.',
    },
  },
  'right-spring': {
    title: 'Sag and the right spring',
    idea: [
      'Preload can bring a rider’s sag right on almost any spring. What is then left with nobody on tells the rest.',
      'Hardly any left: the spring is too soft and wound up to make up for it. Much left: it is too stiff.',
    ],
    predict: {
      ask: 'A soft spring is wound until rider sag is right. What is left of the sag with nobody on?',
      answers: ['Much', 'Hardly any', 'The same as with a firm spring'],
      right: 1,
      why: 'So much preload holds the bare machine up against its end.',
    },
    move: 'Find rate and preload with 35 mm of sag with the rider and 10 to 15 mm with nobody on.',
    check: {
      ask: 'Rider sag is right, and with nobody on it stands topped out. What is wrong?',
      answers: ['The spring is too soft', 'The spring is too stiff', 'Nothing'],
      right: 0,
      why: 'It needed so much preload because it is too soft for this rider.',
    },
  },
  friction: {
    title: 'Friction',
    idea: [
      'Press it down and let it come up slowly, and it stays low. Lift it and let it down, and it stays high.',
      'What is true lies in the middle. How far apart they are says what any one reading is worth.',
    ],
    predict: {
      ask: 'Pressed it reads 342, lifted 350. Where does it truly stand?',
      answers: ['342', '346', '350'],
      right: 1,
      why: 'Friction holds it as far off one way as the other.',
    },
    move: 'Press it, then lift it. Then say what it truly reads.',
    check: {
      ask: 'Pressed and lifted are 20 mm apart on a small machine. What does that say?',
      answers: ['The tape is bad', 'Something binds: look for it first', 'Take the mean and go on'],
      right: 1,
      why: 'Dry seals or a tight joint hold it. Heights read on it are worth little.',
    },
  },
  'new-springs': {
    title: 'New springs',
    idea: [
      'A new spring loses a little of its length over its first few hundred km, most of it early.',
      'Drive first and then set it, or set it high by what it will lose.',
    ],
    predict: {
      ask: 'It will lose 5 mm in all, half of it in the first 80 km. After 80 km, where does it stand?',
      answers: ['5 mm lower', '2.5 mm lower', 'Where it was'],
      right: 1,
      why: 'Half is gone by then. What is left goes more and more slowly.',
    },
    move: 'Set it so that it is within 3 mm of its target today and after 1000 km.',
    check: {
      ask: 'New springs are in and it stands just at its lower limit. What do you do?',
      answers: ['Hand it over', 'Raise it, or drive it and read again', 'Lower it'],
      right: 1,
      why: 'It will be out as soon as the springs have settled.',
    },
  },
  clearances: {
    title: 'Clearances',
    idea: [
      'What touches, touches at the ends of the travel: the tyre in the arch at full bump, a joint at full droop.',
      'A lowering link lowers the body and leaves the travel: at full bump the tyre comes closer to the arch.',
    ],
    predict: {
      ask: 'A link lowers the tail by 25 mm. At full bump, what becomes of 30 mm over the tyre?',
      answers: ['30 mm', 'About 5 mm', '55 mm'],
      right: 1,
      why: 'The damper still goes all the way in. The arch is that much nearer to the tyre then.',
    },
    move: 'Lower it as far as you can with the link and keep 10 mm over the tyre at full bump.',
    check: {
      ask: 'Lowered by the seat instead, does the room at full bump change?',
      answers: ['No: the ends of the travel are where they were', 'Yes, as with the link', 'It grows'],
      right: 0,
      why: 'The seat only moves where it stands between its ends.',
    },
  },
  'measuring-the-ratio': {
    title: 'Measuring the ratio',
    idea: [
      'The wheels are lifted anyway. Read hub to arch and the damper’s length once standing and once hanging.',
      'Damper difference over wheel difference is the ratio, to about three parts in a hundred.',
    ],
    predict: {
      ask: 'Standing to hanging, the wheel goes 80 mm and the damper 52. What is the ratio?',
      answers: ['0.65', '1.54', '0.52'],
      right: 0,
      why: '52 over 80.',
    },
    move: 'Lift the wheel until it hangs free, and read both lengths.',
    check: {
      ask: 'The wheel only went 15 mm when it was lifted. What is the ratio worth?',
      answers: ['As much as ever', 'Little: a millimetre of tape is much of 15', 'Nothing at all'],
      right: 1,
      why: 'An error of 1 mm in 15 is seven in a hundred. Let it hang lower.',
    },
  },
  'when-to-stop': {
    title: 'When to stop',
    idea: [
      'A reading inside the limits does not mean that the height is. The tape is off by a mm, friction by more.',
      'It is enough when it is likely that every true height is in. One lucky reading at the edge is not.',
    ],
    predict: {
      ask: 'Limits are 5 mm. A reading is 4 off, good to 2 mm. How likely is it that the height is truly in?',
      answers: ['Sure', 'About two in three', 'One in ten'],
      right: 1,
      why: 'The limit is half a spread away from the reading: about 69 % lies on this side of it.',
    },
    move: 'Settle it and read it again, often enough for 95 %.',
    check: {
      ask: 'All four read within 1 mm of their targets, limits are 5. Turn again for the last mm?',
      answers: ['Yes, it can be better', 'No: it is in, and a turn could only lose it', 'Only the worst one'],
      right: 1,
      why: 'What is left is less than what the next reading will differ by.',
    },
  },
} as const satisfies Record<string, LessonText>;

export type LessonId = keyof typeof lessonTexts;

export const lessonIds = Object.keys(lessonTexts) as LessonId[];
