/**
 * What the reference sounds like, laid on the echo: how loud, how coloured and how wide each part
 * has to be so that together they come as near to it as the echo's sounds allow.
 */
package looseecho.palette;
