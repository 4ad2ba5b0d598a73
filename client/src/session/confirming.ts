import { ref } from 'vue';
import { useConfirm } from '../shared/api/client';

/** Whether the dialog that asks for the password again is open. */
export const asking = ref(false);
let answer: ((is: boolean) => void) | null = null;

/** Opens the dialog; true where the person has said again that it is she. One at a time: two that ask wait for the same answer. */
let open: Promise<boolean> | null = null;

function ask(): Promise<boolean> {
  open ??= new Promise<boolean>((done) => {
    answer = done;
    asking.value = true;
  }).finally(() => {
    asking.value = false;
    open = null;
  });
  return open;
}

export const settle = (is: boolean): void => answer?.(is);

useConfirm(ask);
