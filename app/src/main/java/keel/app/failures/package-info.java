/** Failed prints: what was seen, checked, and named as the cause. */
package keel.app.failures;
