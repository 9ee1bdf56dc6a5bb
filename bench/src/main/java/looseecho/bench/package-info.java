/** Speed, measured with JMH. Figures are kept in {@code docs/performance.md}. */
package looseecho.bench;
