/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// AdditiveSheet
export const howMuch = 'How much';
export const whatIsLeftOfTheBases = 'What is left of the base’s own values, typically';
export const ofAB = '% of A+B';
export const stiffness = 'stiffness';
export const tear = 'tear';
export const stretch = 'stretch';
export const potLife = 'pot life';
export const howSoft = 'how soft';
export const mind = 'Mind';

// BaseSheet
export const shoreHardness = (shore: string | number): string => `Shore hardness ${String(shore)}`;
export const times = 'Times';
export const sheet = (refC: string | number): string => `sheet, ${String(refC)}`;
export const ofIt = (ofG: string | number): string => `, ${String(ofG)} of it`;
export const here = (what: string | number, what2: string | number): string => `here, ${String(what)}${String(what2)}`;
export const proportion = 'Proportion';
export const whatItBears = 'What it bears';

// LotLine
export const whatItWentInto = 'What it went into';

// Lots
export const onHand = 'On hand';
export const takeAKitIn = 'Take a kit in';
export const aKitThatHasCome = 'A kit that has come';
export const meltedSoOften = 'Melted so often';
export const onceWhereNobodyCounted = 'once, where nobody counted';
export const howMuch2 = (what: string | number): string => `${String(what)}, how much`;
export const howMuchIsInIt = 'How much is in it';
export const itsNumber = (what: string | number): string => `${String(what)}, its number`;
export const itsNumberHeading = 'Its number';
export const cameOn = 'Came on';
export const openedOnIfItIs = 'Opened on, if it is';
export const bestBefore = 'Best before';
export const priceOfTheKit = (what: string | number): string => `Price of the kit${String(what)}`;
export const note = 'Note';
export const putItOnTheShelf = 'Put it on the shelf';
export const leaveIt = 'Leave it';
export const whatAKitCostsAndWhen = 'What a kit costs, and when to order the next';
export const priceOfAKit = 'Price of a kit';
export const forAKitOf = 'For a kit of';
export const orderTheNextUnder = 'Order the next under';
export const keep = 'Keep';
export const takeBackTheLast = 'Take back the last';

// OneLot
export const stores = 'Stores';
export const whereItWent = 'Where it went';
export const countItOrTakeFromIt = 'Count it, or take from it';
export const what = 'What';
export const countWhatIsLeft = 'count what is left';
export const takenForSomethingElse = 'taken for something else';
export const ofWord = 'Of';
export const itWeighsWithoutTheTub = 'It weighs, without the tub';
export const soMuch = 'So much';
export const whatFor = 'What for';
export const writeItDown = 'Write it down';
export const openedToday = 'Opened today';
export const itIsBad = 'It is bad …';
export const itIsGoodAfterAll = 'It is good after all';
export const bringItBack = 'Bring it back';
export const usedUpOrThrownOut = 'Used up, or thrown out';
export const itIsBadHeading = 'It is bad';
export const whatIsWrongWithIt = 'What is wrong with it';
export const callItBack = 'Call it back';
export const whatWasToldOfIt = 'What was told of it';
export const toldOfIt = 'Told of it';

// Recall
export const printIt = 'Print it';
export const asCsv = 'As CSV';
export const backToTheKit = 'Back to the kit';
export const whoHasThem = 'Who has them';
export const mouldsMadeOfIt = 'Moulds made of it';
export const whatWasLeftOfIt = 'What was left of it';
export const whatWasLeftOfItOn = 'What was left of it, on the shelf';
export const pours = 'Pours';
export const when = 'When';
export const becauseOf = 'Because of';
export const kept = 'Kept';
export const rejects = 'Rejects';
export const forWord = 'For';

// Several
export const notSaid = 'not said';

// SheetEntry
export const yes = 'yes';
export const no = 'no';
export const picked = (label: string | number): string => `${String(label)}, picked`;
export const takeItOut = 'Take it out';
export const addOne = 'Add one';

// Stores
export const own = 'own';
export const writeASheet = 'Write a sheet';
export const tickWhatYouHave = 'Tick what you have';
export const versions = 'Versions';
export const oneThingIs = 'One thing is';
export const thingsAre = (length: string | number): string => `${String(length)} things are`;
export const leftOpen = (what: string | number): string => `${String(what)} left open`;
export const changeIt = 'Change it';
export const copyItAndChangeTheCopy = 'Copy it and change the copy';
export const weDoNotHaveThis = 'We do not have this';
export const sheets = 'Sheets';
export const notOnYourShelf = (length: string | number): string => `Not on your shelf (${String(length)})`;
export const sheetsAsAFile = 'Sheets as a file';

// WriteSheet
export const backToStores = 'back to Stores';
export const whatIsTheSheetAbout = 'What is the sheet about?';
export const beginAnew = 'Begin anew';
export const lookAgain = 'Look again';
export const iHaveCorrectedItKeepIt = 'I have corrected it: keep it';
export const itIsSoOnTheSheet = 'It is so on the sheet: keep it all the same';
export const keepTheSheet = 'Keep the sheet';

export const labelsOfTheseKits = 'Labels of these kits, on a sheet';
