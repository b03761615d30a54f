/** The air of the rooms: what a fan moves, what that means, what readings say of it. */
package keel.app.air;
