/** Both hands together. Start with {@link fret.joint.Hands}: what a fingering gives the bow. */
package fret.joint;
