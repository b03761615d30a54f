/**
 * The register of what lights: screens, light engines, the windows of laser tanks; their models, spares on the shelf,
 * UV maps.
 */
package keel.app.optics;
