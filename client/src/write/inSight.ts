import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue';

/** So far beyond what is seen, things are drawn already. */
const margin = '900px 0px';
const told = new WeakMap<Element, (near: boolean) => void>();
let observer: IntersectionObserver | null = null;

/** Whether an element is in sight, or will soon be. */
export function useInSight(element: Ref<HTMLElement | null>): Ref<boolean> {
  const near = ref(false);
  let watched: HTMLElement | null = null;
  onMounted(() => {
    watched = element.value;
    if (!watched) return;
    observer ??= new IntersectionObserver(
      (entries) => {
        for (const entry of entries) told.get(entry.target)?.(entry.isIntersecting);
      },
      // The sheet scrolls in a box of its own: what lies beyond its edge counts, too.
      { rootMargin: margin, scrollMargin: margin } as IntersectionObserverInit,
    );
    told.set(watched, (now) => (near.value = now));
    observer.observe(watched);
  });
  onBeforeUnmount(() => watched && observer?.unobserve(watched));
  return near;
}
