/** Each write once: a repeat whose first answer was lost is answered again and not written again. */
package keel.app.base.once;
