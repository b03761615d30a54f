/** Light over the plate: how even it is, how it fades, what exposure makes up for it. */
package keel.core.light;
