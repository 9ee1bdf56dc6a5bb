package looseecho.synth;

/** Where a layer's sound comes from. */
public sealed interface Source permits DrumSound, ToneSound, SampleSound, Moved {}
