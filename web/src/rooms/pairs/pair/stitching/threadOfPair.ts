import type { FootPlan } from '@gentle-awl/core'

/** Thread of both shoes, mm, by how it is sewn; without a left shoe of its own both take as much. */
export function threadOfPair(plan: Pick<FootPlan, 'stitching'> & { left: Pick<FootPlan, 'stitching'> | null }) {
  const sum = (way: 'machine' | 'hand') =>
    [plan, plan.left ?? plan]
      .flatMap((foot) => foot.stitching.seams)
      .filter((s) => s.way === way)
      .reduce((all, s) => all + s.thread, 0)
  return { machine: sum('machine'), hand: sum('hand') }
}
