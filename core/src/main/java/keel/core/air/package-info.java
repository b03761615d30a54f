/** What a fan, its ducts and a room do to the air: flow, purge, vapour, and what readings say of it. */
package keel.core.air;
