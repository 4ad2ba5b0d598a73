/** Has the browser save what is at an address, under the name the server gives it. */
export function save(address: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = '';
  link.click();
}
