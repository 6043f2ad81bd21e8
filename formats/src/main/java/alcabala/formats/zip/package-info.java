/// Several files as one.
package alcabala.formats.zip;
