import { onMounted, ref, type Ref } from 'vue'

/** Turns true once what is drawn first has been painted: what is heavy comes in a task of its own, so that nothing is held up. */
export function useSecondStep(): Ref<boolean> {
  const isDue = ref(false)
  onMounted(() => requestAnimationFrame(() => setTimeout(() => (isDue.value = true))))
  return isDue
}
