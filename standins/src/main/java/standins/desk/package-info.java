/// The plain desks in the browser, where one plays the people outside. Start with HullworkDesk and InkwellDesk.
package standins.desk;
