<script lang="ts">
  import type { SafetyView, Sheets } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import { CLUTCH, PARKING, turningForm } from './fields';
  import HillPicture from './HillPicture.svelte';
  import TurningPicture from './TurningPicture.svelte';

  interface Props {
    sheets: Sheets;
    view: SafetyView;
    disabled: boolean;
    change: (write: (sheets: Sheets) => void) => void;
  }
  let { sheets, view, disabled, change }: Props = $props();
</script>

<div class="grid gap-x-10 gap-y-6 px-4 py-3 lg:grid-cols-2">
  <section>
    <h2>Which way it turns, going forward</h2>
    <p class="text-[13px] text-ink-dim">
      Stand where the motor's shaft points at you. Engine books often look from the engine's front: the other
      way round. The wheel is seen from the vehicle's left.
    </p>
    <TurningPicture turns={view.turns} />
    <Fields form={turningForm(sheets)} from={sheets} {disabled} {change} />
  </section>
  <section>
    <h2>Left standing on a hill, laden</h2>
    <p class="text-[13px] text-ink-dim">
      Try the handbrake facing up and facing down, chocks behind the wheels and nobody in line. Local codes
      say what it must hold.
    </p>
    {#if view.parked}<HillPicture parked={view.parked} />
    {:else}<p class="my-2 bg-dye px-4 py-6 text-scribe">
        The vehicle is drawn on its grade once its laden mass, wheelbase, centre of gravity and the load's
        place are in the Brief.
      </p>{/if}
    <Fields
      form={PARKING}
      from={sheets.brief.parking}
      {disabled}
      change={(write) => change((next) => write(next.brief.parking))}
    />
  </section>
  {#if sheets.ratios.coupler === 'clutch'}
    <section>
      <h2>Clutch and flywheel</h2>
      <p class="text-[13px] text-ink-dim">
        They were made for the engine's speed. One that bursts goes through the floor: keep the bell-housing
        closed, stand clear.
      </p>
      <Fields
        form={CLUTCH}
        from={sheets.ratios.clutch}
        {disabled}
        change={(write) => change((next) => write(next.ratios.clutch))}
      />
    </section>
  {/if}
</div>
