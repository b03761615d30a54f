/** The first hour of a shop: what it has, said in a few pages, and what each machine lacks for its first print. */
@org.springframework.modulith.NamedInterface("begin")
package keel.app.floor.begin;
