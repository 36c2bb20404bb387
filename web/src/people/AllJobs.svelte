<script lang="ts">
  let { shopId }: { shopId: number } = $props();
</script>

<section class="mt-8">
  <h2 class="mb-2 font-semibold">The shop's jobs as files</h2>
  <p class="max-w-prose text-ink-dim">
    Every job with its scans, those put away as well, in one file. Each opens here again, or on another
    machine. A backup of everything, people and revisions too, is made on the machine itself: see the README.
  </p>
  <a
    class="inline-block min-h-6 text-brass underline underline-offset-2"
    href="/api/jobs/all?shop_id={shopId}"
    download>Take them all</a
  >
</section>
