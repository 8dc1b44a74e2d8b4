namespace KeepTally.Screen.Views;

public sealed record BoardBox(double X, double Y, double W, double H, string Name, bool Line, bool Active);
