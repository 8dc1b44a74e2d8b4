import { playReps } from "./rep.js";

playReps(document);
