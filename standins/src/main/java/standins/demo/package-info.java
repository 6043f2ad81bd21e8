/// Corvane Boatyards at Saltmere: an invented business, with trouble in it. Start with DemoBusiness.
package standins.demo;
