global using Shouldly;
global using Xunit;
