/** What the controls of CodeLabel say. */
export const labelOf = (name: string | number): string => `Label of ${String(name)}`;
export const codeThatOpens = (name: string | number): string => `Code that opens ${String(name)}`;
export const printTheLabel = 'Print the label';
