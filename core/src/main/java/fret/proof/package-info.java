/**
 * Reads a page for likely misreadings, each with a mended page to take at one press. Start with
 * {@link fret.proof.ProofReader}.
 */
package fret.proof;
