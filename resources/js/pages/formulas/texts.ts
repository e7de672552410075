/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// Comparison
export const sideBySide = 'Side by side';
export const what = 'what';
export const change = 'change';
export const density = 'density';

// Formula
export const whatItSays = 'What it says';
export const ofVersion = (what: string | number): string => `Of version ${String(what)}`;
export const addAPhotoOfIt = 'Add a photo of it';
export const changeItIntoAnother = 'Change it into another';
export const keepAsTheNextVersionUnder = 'Keep as: the next version under this name, or a formula of its own under another';
export const why = 'Why';
export const keepIt = 'Keep it';
export const leaveItAsItWas = 'Leave it as it was';
export const whatAKilogramOfItCosts = 'What a kilogram of it costs';
export const iMadeASwatchOfIt = 'I made a swatch of it';

// Formulas
export const formulas = 'Formulas';
export const which = 'Which';
export const words = 'Words';
export const nameBaseWhatIsInIt = 'name, base, what is in it';
export const writeANewOne = 'Write a new one';

// NewFormula
export const aNewFormula = 'A new formula';
export const itIs = 'It is';
export const poured = 'poured';
export const paintedOn = 'painted on';
export const nameWord = 'Name';
export const note = 'Note';

// Paint
export const aPotOfIt = 'A pot of it';
export const toPaint = 'To paint';
export const dryFilmOfACoat = 'Dry film of a coat';
export const coats = 'Coats';
export const leftInPotAndBrush = 'Left in pot and brush';

// PourIt
export const pourIt = 'Pour it';
export const forWord = 'For';
export const chooseALinkOfAJob = 'choose a link of a job …';
export const itsSheetIsBegun = ', its sheet is begun';
export const anotherBase = ' (another base)';
export const toThePourSheet = 'To the pour sheet';
export const beginOne = 'Begin one';
export const whatReallyWentIntoTheLast = (atMs: string | number): string => `What really went into the last cup, ${String(atMs)}`;

// Versions
export const versions = 'Versions';
export const pour = 'pour';
export const pours = 'pours';
export const rename = 'Rename';
export const bringItBack = 'Bring it back';
export const retireIt = 'Retire it';
export const itsName = 'Its name';
export const nameItSo = 'Name it so';
export const holdBeside = 'Hold beside';
export const choose = 'choose …';
export const compare = 'Compare';

// Written
export const whatGoesInInOrder = 'What goes in, in order';
export const howMuchFor = 'How much for';
