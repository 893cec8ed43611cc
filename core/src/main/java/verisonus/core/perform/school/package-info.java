/**
 * What do the ways in which players differ cost on this tone? A tone and a take in, both ways of each question with their prices out.
 * Open {@link verisonus.core.perform.school.Schools} first.
 */
@NullMarked
package verisonus.core.perform.school;

import org.jspecify.annotations.NullMarked;
