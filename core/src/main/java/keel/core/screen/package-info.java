/** The screen of a mask machine: pictures to show on it, what a photograph of one tells, what a dry run tells. */
package keel.core.screen;
