/**
 * Styles are let in by the number of the page (the content policy has no 'unsafe-inline' for them). The component library writes its
 * styles as elements and has no way to be told the number, so each style element is given it as it is made.
 */
const nonce = document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce;

if (nonce) {
  const make = document.createElement.bind(document) as (name: string, options?: ElementCreationOptions) => HTMLElement;
  document.createElement = ((name: string, options?: ElementCreationOptions): HTMLElement => {
    const made = make(name, options);
    if (name.toLowerCase() === 'style') made.nonce = nonce;
    return made;
  }) as typeof document.createElement;
}
