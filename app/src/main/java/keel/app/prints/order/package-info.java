/** Orders of several parts: what is wanted, on which plates it lies, what of it came out. */
@NamedInterface("order")
package keel.app.prints.order;

import org.springframework.modulith.NamedInterface;
