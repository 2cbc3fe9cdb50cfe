<script lang="ts" module>
  /** Something that is asked before it is done. */
  export interface Question {
    title: string;
    text: string;
    act: string;
    done: () => void;
  }
</script>

<script lang="ts">
  import { AlertDialog } from "bits-ui";

  let { question = $bindable(null) }: { question: Question | null } = $props();
</script>

<AlertDialog.Root bind:open={() => question !== null, (open) => open || (question = null)}>
  <AlertDialog.Portal>
    <AlertDialog.Overlay class="fixed inset-0 z-40 bg-ink/40" />
    <AlertDialog.Content
      class="fixed top-1/2 left-1/2 z-50 w-[420px] -translate-x-1/2 -translate-y-1/2 rounded-lg border border-edge bg-panel p-5 shadow-xl"
    >
      <AlertDialog.Title class="text-[16px] font-semibold">{question?.title}</AlertDialog.Title>
      <AlertDialog.Description class="mt-1 text-soft">{question?.text}</AlertDialog.Description>
      <div class="mt-4 flex justify-end gap-2">
        <AlertDialog.Cancel class="action">Cancel</AlertDialog.Cancel>
        <AlertDialog.Action
          class="action-main"
          onclick={() => {
            question?.done();
            question = null;
          }}>{question?.act}</AlertDialog.Action
        >
      </div>
    </AlertDialog.Content>
  </AlertDialog.Portal>
</AlertDialog.Root>
