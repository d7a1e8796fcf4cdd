/** Which chunk, drill and tempo on which day. Start with {@link fret.plan.Planner}. */
package fret.plan;
