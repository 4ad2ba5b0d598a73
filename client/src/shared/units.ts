/** A text in which no number parts from its unit at the end of a line. */
export const holdUnits = (text: string): string =>
  text.replace(/(\d) (?=(?:N·m|lbf|kN|kPa|bar|psi|mm|in|mL|L|kg|min|h|°C|°F|%)(?![\p{L}\d]))/gu, '$1\u00a0');
