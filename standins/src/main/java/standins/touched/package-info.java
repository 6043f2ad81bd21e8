/// Who changed what, and when.
package standins.touched;
